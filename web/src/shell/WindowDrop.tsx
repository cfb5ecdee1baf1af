import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { candidatesOf } from "../stages/brand/candidatesOf";
import { dropOn } from "../stages/brand/dropped";
import { offer } from "../stages/brand/tray";
import { useGoTo } from "../ui/useGoTo";
import { FileDrop } from "./FileDrop";

/** What is dropped or pasted while a theme is open may be held beside it. */
export function WindowDrop() {
  const { id, name } = useEditorState(themeOf);
  const goTo = useGoTo();
  return (
    <FileDrop
      look={(files) => {
        dropOn(files);
        goTo("brand", { source: "files" });
      }}
      hold={{
        theme: name,
        take: (file, picture) => {
          offer(id, candidatesOf(file, picture));
          goTo("brand", { source: "picture" });
        },
      }}
    />
  );
}
