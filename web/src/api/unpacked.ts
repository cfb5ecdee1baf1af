import type { Unzipped } from "fflate";

/** The most that an archive may hold unpacked, in bytes. */
const MOST = 64_000_000;

/** Files with those of archives in their place. What an archive claims to hold is not believed. */
export async function unpacked(files: File[]): Promise<File[]> {
  const all = await Promise.all(files.map((file) => (/\.zip$/i.test(file.name) ? opened(file) : [file])));
  return all.flat();
}

async function opened(archive: File): Promise<File[]> {
  const { unzip } = await import("fflate");
  const bytes = new Uint8Array(await archive.arrayBuffer());
  let sum = 0;
  const found = await new Promise<Unzipped>((resolve, reject) =>
    unzip(
      bytes,
      {
        filter: ({ name, originalSize }) => {
          sum += originalSize;
          return !name.endsWith("/") && sum <= MOST;
        },
      },
      (error, data) =>
        error ? reject(new Error(`${archive.name}: a damaged ZIP: ${error.message}`)) : resolve(data),
    ),
  );
  if (sum > MOST)
    throw new Error(`${archive.name}: more than ${MOST / 1_000_000} MB unpacked: expected at most that`);
  return Object.entries(found).map(([path, data]) => {
    const file = new File([data as Uint8Array<ArrayBuffer>], path.split("/").at(-1) ?? path);
    Object.defineProperty(file, "webkitRelativePath", { value: path });
    return file;
  });
}
