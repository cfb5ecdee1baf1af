import { answer, api, type ThemeDocument } from "../api/client";

type Brand = NonNullable<ThemeDocument["brand"]>[number];

/** A document of these colours; the core finds each a name of its own. */
export async function newDocument(name: string, colors: Brand[]): Promise<ThemeDocument> {
  const [first, ...others] = colors;
  const spec: ThemeDocument = { format: 1, name, brand: first ? [first] : [] };
  if (others.length === 0) return spec;
  const added = others.map(({ name, color, from }) => ({ name, color, ...(from && { from }) }));
  const change = { do: "add-brand" as const, colors: added };
  return (await answer(api.POST("/api/change", { body: { spec, change } }))).spec;
}
