import { createContext, type ReactNode, useContext } from "react";
import type { Editor } from "./useEditor";

const EditorContext = createContext<Editor | undefined>(undefined);

export function EditorProvider({ editor, children }: { editor: Editor; children: ReactNode }) {
  return <EditorContext value={editor}>{children}</EditorContext>;
}

export function useTheEditor(): Editor {
  const editor = useContext(EditorContext);
  if (!editor) throw new Error("useTheEditor needs an EditorProvider above it");
  return editor;
}
