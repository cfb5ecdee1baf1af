import { useQueryClient } from "@tanstack/react-query";
import { answer, api, type ThemeDocument } from "../api/client";
import { themeQuery } from "../api/queries";
import { useThemeActions } from "./useThemeActions";

/** Saves a document as a new theme and opens it. */
export function useMakeTheme(): (spec: ThemeDocument, source?: string) => Promise<void> {
  const client = useQueryClient();
  const actions = useThemeActions();
  return async (spec, source) => {
    const made = await answer(api.POST("/api/themes", { body: { spec } }));
    client.setQueryData(themeQuery(made.slug).queryKey, made);
    await actions.refresh();
    await actions.open(made.slug, source);
  };
}
