import { answer, api, type Spec } from "../api/client";

/** The document with more brand colours; their slugs are the server's to choose. */
export async function addBrand(spec: Spec, colors: { name: string; color: string }[]): Promise<Spec> {
  const changed = await answer(api.POST("/api/add-brand", { body: { spec, colors } }));
  return changed.spec as Spec;
}
