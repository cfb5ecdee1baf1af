import { useNavigate } from "@tanstack/react-router";
import { useCallback } from "react";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import type { View } from "../view";
import { arriveAt } from "./arrive";

/** Leads to a stage of the theme at hand; what else is in view stays but for what is given. The keys go along, to a place of it where one is given. */
export function useGoTo(): (stage: string, view?: Partial<View>, at?: string) => void {
  const navigate = useNavigate();
  const { slug } = useEditorState(themeOf);
  return useCallback(
    (stage, view = {}, at) =>
      void navigate({
        to: "/themes/$slug/$stage",
        params: { slug, stage },
        search: (seen) => ({ ...seen, ...view }),
      }).then(() => arriveAt(view, at)),
    [navigate, slug],
  );
}
