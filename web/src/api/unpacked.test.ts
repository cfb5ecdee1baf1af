import { strToU8, zipSync } from "fflate";
import { expect, test } from "vitest";
import { pathOf } from "./inventory";
import { unpacked } from "./unpacked";

const zipped = (name: string, files: Record<string, string>) =>
  new File(
    [
      zipSync(
        Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])),
      ) as Uint8Array<ArrayBuffer>,
    ],
    name,
  );

test("an archive stands for its files, under their paths", async () => {
  const files = await unpacked([
    new File(["a{}"], "a.css"),
    zipped("site.zip", { "css/b.css": "b{}", "node_modules/c.css": "c{}" }),
  ]);
  expect(files.map(pathOf)).toEqual(["a.css", "css/b.css", "node_modules/c.css"]);
  expect(await files[1]?.text()).toBe("b{}");
});

test("what is damaged is told by its name", async () => {
  await expect(unpacked([new File(["PK nothing"], "site.zip")])).rejects.toThrow("site.zip: a damaged ZIP");
});
