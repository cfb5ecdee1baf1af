import { answer, api, type components } from "./client";

export type Inventory = components["schemas"]["InventoryView"];
export type Used = components["schemas"]["UsedView"];

/** A file of a project, as its text. */
export interface SourceFile {
  /** Its path within what was chosen. */
  name: string;
  text: string;
}

/** Every colour that files use. */
export const takeInventory = (files: SourceFile[], near: number, signal: AbortSignal) =>
  answer(api.POST("/api/inventory", { body: { files, near }, signal }));

interface Rules {
  endings: string[];
  passed_over: string[];
  bytes: number;
}

/** Which of the files are looked into, and how many are passed over. */
export function ours(files: File[], rules: Rules): { taken: File[]; passed: number } {
  const taken = files.filter((file) => {
    const path = pathOf(file).split("/");
    const ending = file.name.split(".").at(-1)?.toLowerCase() ?? "";
    return (
      rules.endings.includes(ending) && !path.slice(0, -1).some((part) => rules.passed_over.includes(part))
    );
  });
  return { taken, passed: files.length - taken.length };
}

/** The texts of files, up to the most that is taken at once. It stops where `tell` says no. */
export async function textsOf(
  files: File[],
  { bytes }: Pick<Rules, "bytes">,
  tell: (done: number) => boolean = () => true,
): Promise<{ texts: SourceFile[]; refusal?: string }> {
  const texts: SourceFile[] = [];
  let sum = 0;
  for (const [done, file] of files.entries()) {
    if (!tell(done)) break;
    sum += file.size;
    if (sum > bytes) {
      const most = Math.round(bytes / 1_000_000);
      return { texts, refusal: `only the first ${done} files, ${most} MB of text, were looked into` };
    }
    texts.push({ name: pathOf(file), text: await file.text() });
  }
  return { texts };
}

export const pathOf = (file: File) => file.webkitRelativePath || file.name;

/** A colour with those that are nearly the same, the most used first. */
export function familyOf(used: Used, colors: Used[]): Used[] {
  // All colours stand in that order.
  return colors.filter((one) => one.hex === used.hex || used.near.includes(one.hex));
}
