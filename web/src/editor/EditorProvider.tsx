import { type QueryClient, useQueryClient } from "@tanstack/react-query";
import { createContext, type ReactNode, useContext, useEffect, useState } from "react";
import { useStore } from "zustand";
import type { Theme } from "../api/client";
import { relist, themeQuery, themesQuery } from "../api/queries";
import { subscribe } from "./live";
import { httpServer, type Server } from "./server";
import { publishSheets } from "./sheets";
import type { EditorState } from "./state";
import { createEditor, type Editor } from "./store";

const EditorContext = createContext<Editor | undefined>(undefined);

interface Props {
  theme: Theme;
  onRenamed: (slug: string) => void;
  children: ReactNode;
}

/**
 * Runs an update once the frame at hand is painted. A store outside React is always drawn at once, and
 * the proof would wait for all that. A hidden window paints no frames.
 */
function afterPaint(update: () => void) {
  if (document.hidden) update();
  else requestAnimationFrame(() => setTimeout(update));
}

/** The server; themes that nothing extends are not asked for what is below them. */
function withChildren(client: QueryClient): Server {
  const hasChildren = ({ slug }: Theme) =>
    client.getQueryData(themesQuery.queryKey)?.some((t) => t.parent === slug) ?? true;
  return {
    ...httpServer,
    below: async (theme, document) => (hasChildren(theme) ? httpServer.below(theme, document) : []),
  };
}

/** One editor for as long as a theme is open. */
export function EditorProvider({ theme, onRenamed, children }: Props) {
  const client = useQueryClient();
  const [editor] = useState(() =>
    createEditor(theme, withChildren(client), {
      onSheets: publishSheets,
      later: afterPaint,
      onSaved: (saved, before) => {
        client.setQueryData(themeQuery(saved.slug).queryKey, saved);
        relist(client, saved);
        if (saved.slug !== before.slug) onRenamed(saved.slug);
      },
    }),
  );
  useEffect(() => {
    editor.start();
    const stop = subscribe((moved) => {
      if (!moved) void editor.look();
      else if (moved.id === theme.id) void editor.look(moved.revision);
    });
    return () => {
      stop();
      editor.stop();
      // What nobody listens for any more is asked for anew when somebody comes back.
      const { slug } = editor.store.getState().theme;
      client.removeQueries({ queryKey: themeQuery(slug).queryKey });
    };
  }, [editor, theme.id, client]);
  useEffect(() => {
    // What only this window has would be lost with it: the browser asks first.
    const ask = (event: BeforeUnloadEvent) => {
      const { status } = editor.store.getState();
      if (status !== "saved" && status !== "deleted") event.preventDefault();
    };
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [editor]);
  return <EditorContext value={editor}>{children}</EditorContext>;
}

/** What can be done with the document. It stays the same for as long as the theme is open. */
export function useEditor(): Editor {
  const editor = useContext(EditorContext);
  if (!editor) throw new Error("useEditor needs an EditorProvider above it");
  return editor;
}

/** A slice of what the editor holds; the component is drawn anew when that slice changes. */
export function useEditorState<T>(select: (state: EditorState) => T): T {
  return useStore(useEditor().store, select);
}
