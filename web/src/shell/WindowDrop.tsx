import { useParams, useSearch } from "@tanstack/react-router";
import { isPicture } from "../api/picture";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { candidatesOf } from "../stages/brand/candidatesOf";
import { offer } from "../stages/brand/tray";
import { dropOn } from "../ui/dropped";
import { useGoTo } from "../ui/useGoTo";
import { FileDrop } from "./FileDrop";

/**
 * What is dropped or pasted while a theme is open: to recolour where existing files are at hand, and
 * else for its colours, which may be held beside the theme.
 */
export function WindowDrop() {
  const { id, name } = useEditorState(themeOf);
  const { side } = useSearch({ from: "/themes/$slug" });
  const { stage } = useParams({ strict: false });
  const goTo = useGoTo();
  const look = (files: File[]) => {
    if (stage === "handoff" && side === "existing") {
      dropOn(files);
      return true;
    }
    // A theme document or design tokens are JSON; all else is what a project has.
    if (files.some(isPicture) || files.every((file) => file.name.endsWith(".json"))) return false;
    dropOn(files);
    goTo("brand", { source: "files" });
    return true;
  };
  return (
    <FileDrop
      look={look}
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
