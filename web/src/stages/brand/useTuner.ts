import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { answer, api, type components } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { setBrand } from "../../editor/edits";
import { LatestOnly } from "../../editor/latestOnly";
import { tokensOf } from "../../editor/selectors";
import type { BrandColor } from "./OpenColor";

export type TunerView = components["schemas"]["TunerView"];
export type Place = TunerView["at"];
type Asked = { color: string } | { at: Place };

/** A pause after the last key that ends a movement, in ms. */
const PAUSE = 600;

/**
 * One colour on its way along lightness, strength and hue. Every move is shown, the end of the
 * movement is one revision. What the colour becomes, the core says.
 */
export function useTuner(slug: string, color: BrandColor) {
  const editor = useEditor();
  const tokens = useEditorState(tokensOf);
  const saved = useEditorState((s) => s.theme.spec.brand?.find((b) => b.slug === slug)?.color) ?? color.color;
  const page = tokens?.find((t) => t.path === "surface.base");
  const pages = useMemo(() => (page ? [page.light.value, page.dark?.value ?? page.light.value] : []), [page]);
  const [view, setView] = useState<TunerView>();
  const moving = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const shown = useRef<TunerView>(undefined);

  const told = useRef<(found: TunerView, asked: Asked) => void>(undefined);
  told.current = (found, asked) => {
    shown.current = found;
    if ("at" in asked && moving.current) editor.draft((d) => setBrand(d, slug, { color: found.hex }));
    // The proof comes first; the strips are painted when there is time.
    startTransition(() => setView(found));
  };
  const asking = useMemo(
    () =>
      new LatestOnly<{ asked: Asked; pages: string[] }, TunerView>(
        ({ asked, pages }) => answer(api.POST("/api/tuner", { body: { ...asked, pages } })),
        ({ asked }, found) => told.current?.(found, asked),
        () => undefined,
      ),
    [],
  );

  useEffect(() => {
    // What was reached by moving keeps its place: a grey would forget its hue.
    if (moving.current) return;
    const reached = shown.current?.hex === color.color ? shown.current.at : undefined;
    asking.push({ asked: reached ? { at: reached } : { color: color.color }, pages });
  }, [asking, color.color, pages]);

  const end = useCallback(() => {
    clearTimeout(timer.current);
    const reached = shown.current?.hex;
    if (!moving.current || !reached) return;
    moving.current = false;
    if (reached.toLowerCase() === saved.toLowerCase()) return editor.discard();
    const label = `${color.name}: ${saved} → ${reached}`;
    void editor.commit((d) => setBrand(d, slug, { color: reached, from: undefined }), label);
  }, [editor, color.name, saved, slug]);
  const endLatest = useRef(end);
  endLatest.current = end;

  const move = useCallback(
    (to: Partial<Place>) => {
      if (!shown.current) return;
      moving.current = true;
      const at = { ...shown.current.at, ...to };
      // The next key goes on from here, whether or not the answer is there.
      shown.current = { ...shown.current, at };
      asking.push({ asked: { at }, pages });
    },
    [asking, pages],
  );
  /** A movement by keys ends by itself. */
  const step = useCallback(
    (to: Partial<Place>) => {
      move(to);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => endLatest.current(), PAUSE);
    },
    [move],
  );
  return { view, place: () => shown.current?.at, move, step, end };
}
