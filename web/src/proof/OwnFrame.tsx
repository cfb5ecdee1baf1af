import { useEffect, useRef, useState } from "react";
import classes from "./ProofPane.module.css";

/** What stands under the pointer in a page of one's own. */
export interface Seen {
  what: string;
  /** The selector of the rule that paints the ground, else the text; none where a style attribute does. */
  rule: string | undefined;
  text: string;
  ground: string;
}

interface Props {
  title: string;
  src: string | undefined;
  grow: number;
  zoom: number;
  onSeen: (seen: Seen | undefined) => void;
  onPick: (seen: Seen) => void;
}

const hex = (css: string) => {
  const [r = 0, g = 0, b = 0] = (css.match(/[\d.]+/g) ?? []).map(Number);
  return `#${[r, g, b].map((v) => Math.round(v).toString(16).padStart(2, "0")).join("")}`;
};

const isClear = (css: string) => css === "transparent" || /, 0\)$/.test(css) || /\/ 0\)$/.test(css);

/** The last rule of a page's sheets that says a property of an element. */
function ruleOf(element: Element, property: string): string | undefined {
  const found: string[] = [];
  const look = (rules: CSSRuleList) => {
    for (const rule of rules) {
      if ("selectorText" in rule && "style" in rule) {
        const { selectorText, style } = rule as CSSStyleRule;
        if (style.getPropertyValue(property) && element.matches(selectorText)) found.push(selectorText);
      }
      const inner = (rule as CSSGroupingRule).cssRules;
      const media = "media" in rule ? (rule as CSSMediaRule).media.mediaText : undefined;
      if (inner && (!media || element.ownerDocument.defaultView?.matchMedia(media).matches)) look(inner);
    }
  };
  for (const sheet of element.ownerDocument.styleSheets) {
    try {
      look(sheet.cssRules);
    } catch {
      // A sheet that was not let in has no rules.
    }
  }
  return found.at(-1);
}

function seenAt(element: Element): Seen {
  const style = (node: Element) => node.ownerDocument.defaultView?.getComputedStyle(node);
  let ground: Element | null = element;
  while (ground && isClear(style(ground)?.backgroundColor ?? "transparent")) ground = ground.parentElement;
  const name = [element.tagName.toLowerCase(), ...element.classList].join(".");
  return {
    what: name.slice(0, 60),
    rule: (ground && ruleOf(ground, "background-color")) || ruleOf(element, "color"),
    text: hex(style(element)?.color ?? ""),
    ground: ground ? hex(style(ground)?.backgroundColor ?? "") : "#ffffff",
  };
}

/**
 * A stranger's page. Its own policy and the sandbox say the same: no scripts, no forms, no windows, and
 * nothing from elsewhere; only this side may look in.
 */
export function OwnFrame({ title, src, grow, zoom, onSeen, onPick }: Props) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [loads, setLoads] = useState(0);
  const told = useRef({ onSeen, onPick });
  told.current = { onSeen, onPick };
  useEffect(() => {
    const page = frame.current?.contentDocument;
    if (loads === 0 || !page) return;
    const point = (event: Event) => told.current.onSeen(seenAt(event.target as Element));
    const leave = () => told.current.onSeen(undefined);
    // Links lead nowhere: the page stays what was brought.
    const stay = (event: Event) => {
      if ((event.target as Element).closest("a, area")) event.preventDefault();
      told.current.onPick(seenAt(event.target as Element));
    };
    page.addEventListener("pointerover", point);
    page.documentElement.addEventListener("pointerleave", leave);
    page.addEventListener("click", stay, true);
    return () => {
      page.removeEventListener("pointerover", point);
      page.documentElement.removeEventListener("pointerleave", leave);
      page.removeEventListener("click", stay, true);
    };
  }, [loads]);
  return (
    <div className={classes.half} style={{ flexGrow: grow, "--zoom": zoom } as React.CSSProperties}>
      {src && (
        <iframe
          ref={frame}
          className={classes.frame}
          sandbox="allow-same-origin"
          src={src}
          title={title}
          onLoad={() => setLoads((n) => n + 1)}
        />
      )}
    </div>
  );
}
