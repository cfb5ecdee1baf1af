import { useEffect, useRef, useState } from "react";
import type { ColorSet } from "../../../../api/sets";
import { useEditor, useEditorState } from "../../../../editor/EditorProvider";
import { themeOf } from "../../../../editor/selectors";
import { useBrand } from "../../../../lineage/useLineage";
import { offer } from "../../tray";
import { candidatesOfSet, tried } from "./trying";

/** A set tried on the theme: the proof shows it, nothing is saved until it is kept. */
export function useTrying() {
  const editor = useEditor();
  const { id } = useEditorState(themeOf);
  const brand = useBrand();
  const [trying, setTrying] = useState<ColorSet>();
  const still = useRef(false);
  still.current = trying !== undefined;
  // Whoever looks elsewhere has not kept it.
  useEffect(() => () => (still.current ? editor.discard() : undefined), [editor]);
  return {
    trying,
    put: (set: ColorSet) => {
      setTrying(set);
      editor.draft((document) => tried(document, brand, set));
    },
    back: () => {
      setTrying(undefined);
      editor.discard();
    },
    keep: async () => {
      if (!trying) return;
      const { problem } = await editor.commit((d) => tried(d, brand, trying), `colours of ${trying.name}`);
      if (problem) return;
      setTrying(undefined);
      // What has no place yet is not lost.
      offer(id, candidatesOfSet(trying, brand.length));
    },
  };
}
