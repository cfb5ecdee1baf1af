import { answer, api, type Token } from "./client";

/** What was typed as a document writes it: one rule for colours at every field, hex without `#` too. */
export async function writtenValue(kind: Token["kind"], text: string): Promise<string> {
  const trimmed = text.trim();
  if (kind !== "color" || trimmed.startsWith("{")) return trimmed;
  return (await answer(api.POST("/api/color", { body: { text: trimmed } }))).css;
}
