import { useEffect, useRef, useState } from "react";
import classes from "./ProofPane.module.css";

interface Props {
  mode: "light" | "dark";
  /** The exported style sheets, in the order in which they are loaded. */
  sheets: string[] | undefined;
  grow: number;
  /** Size of the page against life. */
  zoom: number;
}

/** One page in a document of its own, which holds the exported sheets and a layout without colours. */
export function ProofFrame({ mode, sheets, grow, zoom }: Props) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(false);

  useEffect(() => {
    const target = frame.current?.contentWindow;
    if (!loaded || !target || !sheets) return;
    adopt(target as Window & typeof globalThis, sheets);
    target.document.documentElement.dataset.mode = mode;
    window.dispatchEvent(new CustomEvent("proof-painted", { detail: mode }));
  }, [loaded, sheets, mode]);

  useEffect(() => {
    const target = frame.current?.contentWindow;
    if (!loaded || !target) return;
    // Keys pressed inside reach the shortcuts outside.
    const forward = (event: KeyboardEvent) =>
      document.body.dispatchEvent(new KeyboardEvent("keydown", event));
    target.addEventListener("keydown", forward);
    return () => target.removeEventListener("keydown", forward);
  }, [loaded]);

  return (
    <div className={classes.half} style={{ flexGrow: grow, "--zoom": zoom } as React.CSSProperties}>
      <iframe
        ref={frame}
        className={classes.frame}
        style={{ colorScheme: mode }}
        src={`/proof.html?mode=${mode}`}
        title={`Timetable, ${mode}`}
        onLoad={() => setLoaded(true)}
      />
    </div>
  );
}

/** Replaces the text of the adopted sheets, keeping their objects: the page is styled once. */
function adopt(target: Window & typeof globalThis, sheets: string[]) {
  const adopted = target.document.adoptedStyleSheets;
  if (adopted.length !== sheets.length) {
    target.document.adoptedStyleSheets = sheets.map(() => new target.CSSStyleSheet());
  }
  target.document.adoptedStyleSheets.forEach((sheet, i) => {
    // `@import` is not allowed in a constructed sheet; the proof fetches no fonts from elsewhere.
    const text = (sheets[i] ?? "").replace(/^@import[^\n]*\n/m, "");
    sheet.replaceSync(text);
  });
}
