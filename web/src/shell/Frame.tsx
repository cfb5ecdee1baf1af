import { Outlet, useLoaderData, useNavigate } from "@tanstack/react-router";
import { useCallback } from "react";
import type { Theme } from "../api/client";
import { EditorProvider } from "../editor/EditorContext";
import { useEditor } from "../editor/useEditor";
import { ProofPane } from "../proof/ProofPane";
import { ClashDialog } from "./ClashDialog";
import { FileDrop } from "./FileDrop";
import classes from "./Frame.module.css";
import { Rail } from "./Rail";
import { TopBar } from "./TopBar";
import { useShortcuts } from "./useShortcuts";
import { Wake } from "./Wake";

/** The frame around every stage of one theme. */
export function Frame() {
  const theme = useLoaderData({ from: "/themes/$slug" });
  // The id outlives a rename, so that renaming does not start the editor anew.
  return <ThemeFrame key={theme.id} theme={theme} />;
}

function ThemeFrame({ theme }: { theme: Theme }) {
  const navigate = useNavigate();
  const onRenamed = useCallback(
    (slug: string) =>
      void navigate({ to: ".", params: (p) => ({ ...p, slug }), search: (s) => s, replace: true }),
    [navigate],
  );
  const editor = useEditor(theme, onRenamed);
  useShortcuts(editor);
  return (
    <EditorProvider editor={editor}>
      <div className={classes.frame}>
        <TopBar />
        <Rail />
        <main className={classes.bench} aria-label="Bench">
          <Outlet />
        </main>
        <ProofPane />
        <Wake />
      </div>
      <ClashDialog />
      <FileDrop />
    </EditorProvider>
  );
}
