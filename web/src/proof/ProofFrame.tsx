import { useEffect, useRef, useState } from "react";
import type { Level } from "../api/client";
import { useLevel } from "../editor/level";
import { onSheets } from "../editor/sheets";
import { paintPage } from "./adopt";
import { coverage, type Paint, type PaintRule, paintOf } from "./inspect";
import classes from "./ProofPane.module.css";
import type { PageName } from "./pages";

interface Props {
  mode: "light" | "dark";
  page: PageName;
  /** Level of contrast; without it the one that is shown everywhere. */
  level?: Level;
  /** Style sheets of another theme or revision; without them those of the document at hand. */
  others?: string[];
  grow: number;
  /** Size of the page against life. */
  zoom: number;
  /** What paints the components. */
  rules: PaintRule[];
  onPoint: (paint: Paint | undefined) => void;
  onPick: (paint: Paint) => void;
  /** Told after painting how much of the page each ground covers, where somebody wants to know. */
  onCoverage?: (shares: Map<string, number>) => void;
}

/** One page in a document of its own, which holds the exported sheets and a layout without colours. */
export function ProofFrame({
  mode,
  page,
  level,
  others,
  grow,
  zoom,
  rules,
  onPoint,
  onPick,
  onCoverage,
}: Props) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [loads, setLoads] = useState(0);
  const told = useRef({ rules, onPoint, onPick });
  told.current = { rules, onPoint, onPick };

  useEffect(() => {
    const target = frame.current?.contentWindow;
    if (loads === 0 || !target) return;
    const paint = (sheets: string[]) => {
      paintPage(target as Window & typeof globalThis, sheets);
      target.document.documentElement.dataset.mode = mode;
      window.dispatchEvent(new CustomEvent("proof-painted", { detail: mode }));
    };
    if (!others) return onSheets(paint);
    paint(others);
  }, [loads, others, mode]);

  const shown = useLevel();
  const at = level ?? shown;
  useEffect(() => {
    const root = loads > 0 && frame.current?.contentDocument?.documentElement;
    if (root) root.dataset.contrast = at;
  }, [loads, at]);

  useEffect(() => {
    const target = frame.current?.contentWindow;
    if (loads === 0 || !target || !onCoverage) return;
    let timer: ReturnType<typeof setTimeout>;
    let painted = new AbortController();
    const look = async () => {
      const shares = await coverage(target.document, told.current.rules, painted.signal);
      if (shares) onCoverage(shares);
    };
    const leave = () => {
      clearTimeout(timer);
      painted.abort();
    };
    const stop = onSheets(() => {
      leave();
      painted = new AbortController();
      timer = setTimeout(() => void look(), 120);
    });
    return () => {
      leave();
      stop();
    };
  }, [loads, onCoverage]);

  useEffect(() => {
    const target = frame.current?.contentWindow;
    if (loads === 0 || !target) return;
    // Keys pressed inside reach the shortcuts outside, except those meant for a field.
    const forward = (event: KeyboardEvent) => {
      if ((event.target as Element).closest("input")) return;
      document.body.dispatchEvent(new KeyboardEvent("keydown", event));
    };
    const under = (event: Event) => event.target as Element;
    const point = (event: Event) => told.current.onPoint(paintOf(under(event), told.current.rules));
    const pick = (event: Event) => told.current.onPick(paintOf(under(event), told.current.rules));
    const leave = () => told.current.onPoint(undefined);
    const page = target.document;
    target.addEventListener("keydown", forward);
    page.addEventListener("pointerover", point);
    page.addEventListener("click", pick);
    page.documentElement.addEventListener("pointerleave", leave);
    return () => {
      target.removeEventListener("keydown", forward);
      page.removeEventListener("pointerover", point);
      page.removeEventListener("click", pick);
      page.documentElement.removeEventListener("pointerleave", leave);
    };
  }, [loads]);

  return (
    <div className={classes.half} style={{ flexGrow: grow, "--zoom": zoom } as React.CSSProperties}>
      <iframe
        ref={frame}
        className={classes.frame}
        style={{ colorScheme: mode }}
        src={`/proof.html?mode=${mode}&page=${page}`}
        title={`${page}, ${mode}`}
        onLoad={() => setLoads((n) => n + 1)}
      />
    </div>
  );
}
