import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { packed, setOption, setPacked } from "../../editor/edits";
import type { Outcome } from "../../editor/state";
import { labelled } from "./labelled";

export type Options = Record<string, string>;

export interface Handoff {
  /** Options of targets, by id. */
  options: Record<string, Options>;
  /** Ids of the targets that the archive packs. */
  chosen: string[];
  /** Remembers a choice of an option besides those that there are. */
  remember: (id: string, option: string, value: string) => Promise<Outcome>;
  /** Packs targets, or leaves them out; their options stay. */
  choose: (ids: string[], on: boolean) => void;
}

/** Choices for the handoff, which are kept in the document; in a row they are one revision. */
export function useHandoff(): Handoff {
  const editor = useEditor();
  const document = useEditorState((s) => s.document);
  const before = useEditorState((s) => s.theme.label);
  return {
    options: document.handoff ?? {},
    chosen: packed(document),
    // A default is kept too: a parent may have chosen otherwise.
    remember: (id, option, value) =>
      editor.commit(
        (d) => setOption(d, id, option, value),
        labelled(before, `${id}, ${option} ${value || "none"}`),
        { topic: "handoff", atField: true },
      ),
    choose: (ids, on) => {
      const names = ids.length > 2 ? `${ids.length} targets` : ids.join(", ");
      const label = labelled(before, `${on ? "with" : "without"} ${names}`);
      void editor.commit((d) => setPacked(d, ids, on), label, { topic: "handoff" });
    },
  };
}
