import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, refusalIn, type ThemeDocument } from "../api/client";
import { familyQuery } from "../api/family";
import { themeQuery, themesQuery } from "../api/queries";
import { type ChildDraft, childDocument } from "./useChildDrafts";

/** Makes themes that extend another one; tells the slugs of those that came to be. */
export function useChildren(parent: string) {
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const make = async (spec: ThemeDocument) => {
    const made = await answer(api.POST("/api/themes", { body: { spec } }));
    client.setQueryData(themeQuery(made.slug).queryKey, made);
    return made.slug;
  };
  const meanwhile = async (work: () => Promise<string[]>) => {
    setBusy(true);
    try {
      return await work();
    } finally {
      setBusy(false);
      void client.invalidateQueries({ queryKey: themesQuery.queryKey });
      void client.invalidateQueries({ queryKey: familyQuery.queryKey });
    }
  };
  return {
    busy,
    makeBare: (name: string) =>
      meanwhile(async () => [await make({ format: 1, name: name.trim(), extends: parent })]),
    /** One after the other; what could not be made is told why. */
    makeOfLogos: (
      drafts: ChildDraft[],
      onMade: (key: string) => void,
      onRefused: (key: string, why: string) => void,
    ) =>
      meanwhile(async () => {
        const made: string[] = [];
        for (const draft of drafts) {
          try {
            made.push(await make(await childDocument(parent, draft)));
            onMade(draft.key);
          } catch (error) {
            onRefused(draft.key, refusalIn(error));
          }
        }
        return made;
      }),
  };
}
