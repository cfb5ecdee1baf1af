import { answer, api, type Token } from "./client";

/** How the path of a token looks; no colour does. */
const PATH = /^[a-z][a-z0-9-]*(\.[a-z0-9-]+)+$/i;

/** What was typed for a colour, as a document writes it where it is the path of a token, as screens show it. */
export const referring = (text: string) => (PATH.test(text) ? `{${text}}` : text);

/** What was typed as a document writes it: one rule for colours at every field, hex without `#` too. */
export async function writtenValue(kind: Token["kind"], text: string): Promise<string> {
  if (kind !== "color") return text.trim();
  const written = referring(text.trim());
  if (written.startsWith("{")) return written;
  return (await answer(api.POST("/api/color", { body: { text: written } }))).css;
}
