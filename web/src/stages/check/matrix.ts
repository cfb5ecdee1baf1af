import type { Check, Mode } from "../../api/client";

type Matrix = Check["matrix"];

/** What one foreground has on one ground. */
export interface Cell {
  ground: string;
  ratio: number;
  /** The ratio that the pair needs; 0 where none is declared. */
  need: number;
  failing: boolean;
}

/** Groups of grounds in their own order, each once. */
export const familiesOf = (grounds: string[]): string[] => [
  ...new Set(grounds.map((path) => path.split(".")[0] ?? path)),
];

/** The cells of a foreground on some grounds. */
export function cellsOf(matrix: Matrix, mode: Mode, ink: number, grounds: number[]): Cell[] {
  const width = matrix.grounds.length;
  return grounds.map((ground) => {
    const at = ink * width + ground;
    const [ratio, need] = [matrix[mode][at] ?? 0, matrix.needs[at] ?? 0];
    return { ground: matrix.grounds[ground] ?? "", ratio, need, failing: need > 0 && ratio < need };
  });
}

/** Foregrounds that are shown: those that answer to the words and, where asked, are declared on one of
 * the grounds; what fails stands first. */
export function rowsOf(
  matrix: Matrix,
  mode: Mode,
  grounds: number[],
  words: string,
  declared: boolean,
): number[] {
  const wanted = words.trim().toLowerCase();
  const rows = matrix.inks.flatMap((path, ink) => {
    if (!path.toLowerCase().includes(wanted)) return [];
    const cells = cellsOf(matrix, mode, ink, grounds);
    if (declared && !cells.some((c) => c.need > 0)) return [];
    return [{ ink, failing: cells.some((c) => c.failing) }];
  });
  return rows.sort((a, b) => Number(b.failing) - Number(a.failing)).map((row) => row.ink);
}
