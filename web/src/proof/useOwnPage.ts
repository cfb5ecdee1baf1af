import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { refusalIn } from "../api/client";
import { pathOf } from "../api/inventory";
import { keepPage, ownPage, pageAddress, removePage } from "../api/page";
import { vocabularyQuery } from "../api/queries";
import { tooLarge } from "../api/size";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { alterExisting } from "../existing/existing";

/** Files of a page whose colours are mapped. */
const TEXT = /\.(css|scss|less|html?|svg)$/i;

/** The page of one's own beside the theme at hand: brought, and taken away. */
export function useOwnPage() {
  const theme = useEditorState(themeOf);
  const client = useQueryClient();
  const { data: vocabulary } = useQuery(vocabularyQuery);
  const [refusal, setRefusal] = useState<string>();
  const key = ["own-page", theme.id];
  const { data: page } = useQuery({ queryKey: key, queryFn: () => ownPage(theme.slug) });
  const bring = async (chosen: File[]) => {
    if (chosen.length === 0) return;
    const size = chosen.reduce((sum, file) => sum + file.size, 0);
    const large = tooLarge("files", size, vocabulary?.pages.bytes);
    if (large) return setRefusal(large);
    try {
      const kept = await keepPage(
        theme.slug,
        chosen.map((file) => ({ path: pathOf(file), file })),
      );
      client.setQueryData(key, kept);
      setRefusal(undefined);
      // Its colours are mapped where all existing files are.
      const texts = kept.files.filter((file) => TEXT.test(file.path));
      const files = await Promise.all(
        texts.map(async ({ path }) => {
          const answer = await fetch(pageAddress({ ...kept, entry: path }, "as-it-came"));
          return { name: path, text: await answer.text() };
        }),
      );
      alterExisting(theme.id, { files });
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  const remove = async () => {
    try {
      await removePage(theme.slug);
      client.setQueryData(key, null);
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  return { page, bring, remove, refusal };
}
