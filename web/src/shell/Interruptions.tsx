import { useEditorState } from "../editor/EditorProvider";
import { later, useAsked } from "../ui/later";

const ClashDialog = later(() => import("./ClashDialog").then((m) => m.ClashDialog));
const DeletedNotice = later(() => import("./DeletedNotice").then((m) => m.DeletedNotice));
const HeldDialog = later(() => import("../lineage/HeldDialog").then((m) => m.HeldDialog));

/** What must be answered before the work goes on: mostly nothing. */
export function Interruptions() {
  const clashes = useAsked(useEditorState((s) => s.clash !== undefined));
  const holds = useAsked(useEditorState((s) => s.held !== undefined));
  const gone = useAsked(useEditorState((s) => s.status === "deleted"));
  return (
    <>
      {clashes && <ClashDialog />}
      {holds && <HeldDialog />}
      {gone && <DeletedNotice />}
    </>
  );
}
