import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { themeOf } from "../../editor/selectors";
import { useTrays, withdraw } from "./tray";

/** Takes candidates into the brand; what is refused stays in the tray. */
export function useTake() {
  const editor = useEditor();
  const { id } = useEditorState(themeOf);
  return async (keys: string[]) => {
    const tray = useTrays.getState().trays[id] ?? [];
    const taken = tray.filter((one) => keys.includes(one.key));
    const [only] = taken;
    if (!only) return;
    const label = taken.length === 1 ? `${only.name} ${only.color} added` : `${taken.length} colours added`;
    const colors = taken.map(({ name, color, from }) => ({ name, color, ...(from && { from }) }));
    const { theme } = await editor.change({ do: "add-brand", colors }, label);
    if (theme) withdraw(id, keys);
  };
}
