import { useState } from "react";
import { answer, api, type Change } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { documentOf } from "../../editor/selectors";

/** A change that takes something away: at once where nothing hangs on it, else after what happens was told. */
export function useRemoval(change: Change, label: string) {
  const editor = useEditor();
  const document = useEditorState(documentOf);
  const [notes, setNotes] = useState<string[]>([]);
  const remove = () => {
    setNotes([]);
    void editor.change(change, label);
  };
  const ask = async () => {
    const tried = await answer(api.POST("/api/change", { body: { spec: document, change } })).catch(
      () => undefined,
    );
    // What cannot be is told by the change itself.
    if (!tried || tried.notes.length === 0) remove();
    else setNotes(tried.notes);
  };
  return { notes, asking: notes.length > 0, ask: () => void ask(), close: () => setNotes([]), remove };
}
