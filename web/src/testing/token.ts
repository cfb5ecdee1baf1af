import type { Token } from "../api/client";

/** A derived colour as the server tells it, for tests. */
export function token(path: string, section: Token["section"], modes = true): Token {
  const cell = { value: "#111111", origin: "derived", reason: "because" } as Token["light"];
  const css = `--${path.replaceAll(".", "-")}`;
  return {
    path,
    css,
    kind: "color",
    section,
    omitted: false,
    light: cell,
    ...(modes && { dark: cell }),
  } as Token;
}
