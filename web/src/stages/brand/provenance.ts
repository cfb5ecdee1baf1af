import type { Provenance } from "./tray";

/** Where a colour came from, in words. */
export function told(from: Provenance | null | undefined): string {
  switch (from?.kind) {
    case "picture":
      return `from ${from.name}`;
    case "file":
      return `from ${from.name}${from.line ? `, line ${from.line}` : ""}`;
    case "companion":
      return `${from.relation} companion of ${from.of}`;
    case "set":
      return `from the set ${from.name}${from.owner ? ` by ${from.owner}` : ""}`;
    default:
      return "typed";
  }
}
