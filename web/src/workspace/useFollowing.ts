import { useEffect, useRef } from "react";
import type { ThemeDocument } from "../api/client";
import { decideTie, draftFiles, type Tie } from "../api/workspace";
import { useEditor } from "../editor/EditorProvider";
import { LatestOnly } from "../editor/latestOnly";

/**
 * Lets the files in the folder follow what is only shown, one change on its way at a time; the server
 * keeps the pace. A change that is left puts the files back.
 */
export function useFollowing(tie: Tie | undefined) {
  const editor = useEditor();
  const follows = tie?.follows === true && tie.state === "in-step";
  const slug = tie?.slug ?? "";
  const drafted = useRef(false);
  useEffect(() => {
    if (!follows) return;
    // What could not be written is told by the state of the tie.
    const nothing = () => undefined;
    // What is left takes its turn behind what is on its way.
    const send = (spec: ThemeDocument | undefined) =>
      spec ? draftFiles(slug, spec) : decideTie(slug, "settle").then(nothing);
    const files = new LatestOnly<ThemeDocument | undefined, void>(send, nothing, nothing);
    return editor.store.subscribe(({ status, document }, before) => {
      if (status === "drafting" && document !== before.document) {
        drafted.current = true;
        files.push(document);
      } else if (status === "saved" && drafted.current) {
        drafted.current = false;
        files.push(undefined);
      }
    });
  }, [editor, follows, slug]);
}
