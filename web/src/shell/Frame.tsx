import { Outlet, useLoaderData, useNavigate } from "@tanstack/react-router";
import { useCallback } from "react";
import type { Theme } from "../api/client";
import { EditorProvider } from "../editor/EditorProvider";
import { EyesFilter } from "../proof/EyesFilter";
import { ProofPane } from "../proof/ProofPane";
import { Commands } from "./Commands";
import classes from "./Frame.module.css";
import { Interruptions } from "./Interruptions";
import { Rail } from "./Rail";
import { TopBar } from "./TopBar";
import { Wake } from "./Wake";
import { WindowDrop } from "./WindowDrop";

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
  return (
    <EditorProvider theme={theme} onRenamed={onRenamed}>
      <div className={classes.skips}>
        <a href="#bench">To the bench</a>
        <a href="#proof">To the proof</a>
      </div>
      <div className={classes.frame}>
        <TopBar />
        <Rail />
        <main id="bench" className={classes.bench} aria-label="Bench" tabIndex={-1}>
          <Outlet />
        </main>
        <ProofPane />
        <Wake />
      </div>
      <EyesFilter />
      <Commands />
      <Interruptions />
      <WindowDrop />
    </EditorProvider>
  );
}
