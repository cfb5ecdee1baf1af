import { useHotkeys } from "@mantine/hooks";
import { useNavigate } from "@tanstack/react-router";
import type { Editor } from "../editor/useEditor";

/** Keys that work everywhere but in a field. */
export function useShortcuts(editor: Editor) {
  const navigate = useNavigate();
  const { slug } = editor.theme;
  const go = (stage: "brand" | "stave" | "ledger" | "handoff") => () =>
    void navigate({ to: `/themes/$slug/${stage}`, params: { slug }, search: (s) => s });
  useHotkeys([
    ["mod+Z", editor.undo],
    ["mod+shift+Z", editor.redo],
    ["mod+Y", editor.redo],
    ["1", go("brand")],
    ["2", go("stave")],
    ["3", go("ledger")],
    ["4", go("handoff")],
  ]);
}
