import { useState } from "react";
import { answer, api } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { documentOf } from "../../editor/selectors";

/** Removing a brand colour: at once where nothing hangs on it, else after what happens was told. */
export function useRemoval(slug: string, name: string) {
  const editor = useEditor();
  const document = useEditorState(documentOf);
  const [notes, setNotes] = useState<string[]>([]);
  const change = { do: "remove-brand", brand: slug } as const;
  const remove = () => {
    setNotes([]);
    void editor.change(change, `${name} removed`);
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
