import { useDebouncedValue } from "@mantine/hooks";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api } from "../api/client";
import type { Below } from "../api/family";
import { numberOf } from "../api/numberOf";
import { themesQuery } from "../api/queries";
import { useEditorState } from "../editor/EditorProvider";
import { derivesSame } from "../editor/edits";
import { documentOf, themeOf } from "../editor/selectors";

/** How long a change rests before what it moves below is asked for, in ms. */
const REST = 120;

/**
 * What the change under way would move in the themes that extend this one, or what the last one
 * moved. Nothing is asked where no theme does.
 */
export function useBelow(): Below[] | undefined {
  const theme = useEditorState(themeOf);
  const last = useEditorState((s) => s.before);
  const [document] = useDebouncedValue(useEditorState(documentOf), REST);
  const { data: themes } = useQuery(themesQuery);
  const hasChildren = themes?.some((t) => t.parent === theme.slug) ?? false;
  const isUnderWay = !derivesSame(document, theme.spec);
  const before = isUnderWay ? theme.spec : last;
  const { data } = useQuery({
    queryKey: ["below", theme.id, numberOf(document), before && numberOf(before)],
    queryFn: () => {
      const params = { path: { slug: theme.slug } };
      return answer(api.POST("/api/themes/{slug}/below", { params, body: { spec: document, before } }));
    },
    enabled: hasChildren && before !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
  return hasChildren && before ? data : undefined;
}
