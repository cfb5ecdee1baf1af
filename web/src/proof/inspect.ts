/** Which tokens paint an element, by the rules that the server tells of the components. */

import type { Vocabulary } from "../api/client";

export type PaintRule = Vocabulary["paints"][number];

export interface Paint {
  text?: string;
  ground?: string;
  border?: string;
}

/** A class that chooses the intent of what is inside it. */
const INTENT = /^intent-(.+)$/;

/** The custom property by which a part of an element itself is painted: the strongest rule's. */
function own(rules: PaintRule[], element: Element, part: string): string | null | undefined {
  let best: PaintRule | undefined;
  for (const rule of rules) {
    if (rule.part !== part || (best && rule.specificity < best.specificity)) continue;
    if (element.matches(rule.selector)) best = rule;
  }
  return best && (best.name ?? null);
}

/** Follows a property of a component, such as `--intent-fill`, to the token behind it. */
function token(rules: PaintRule[], element: Element, name: string): string {
  for (let at: Element | null = element; at; at = at.parentElement) {
    const set = own(rules, at, name);
    if (set) return set;
    for (const word of at.classList) {
      const intent = INTENT.exec(word)?.[1];
      if (intent && name.startsWith("--intent-")) return name.replace("--intent-", `--${intent}-`);
    }
  }
  return name.replace("--intent-", "--primary-");
}

/** What paints a part of an element: its own rule, or that of what it lies in. */
function upwards(rules: PaintRule[], element: Element, part: string): string | undefined {
  for (let at: Element | null = element; at; at = at.parentElement) {
    const name = own(rules, at, part);
    if (name) return token(rules, at, name);
  }
  return undefined;
}

/** Names of the custom properties that paint text, ground and border of an element. */
export function paintOf(element: Element, rules: PaintRule[]): Paint {
  const border = own(rules, element, "border");
  const paint: Paint = {};
  const text = upwards(rules, element, "text");
  const ground = upwards(rules, element, "ground");
  if (text) paint.text = text;
  if (ground) paint.ground = ground;
  if (border) paint.border = token(rules, element, border);
  return paint;
}

/** Points that are looked at across and down. */
const COLUMNS = 36;
const ROWS = 60;
/** Lines of points that are looked at between two frames. */
const AT_ONCE = 6;

/**
 * How much of the page each ground covers, from 0 to 1, by a grid of points; looked at a few lines at a
 * time, so that nothing waits for it. Nothing where it was left in between.
 */
export async function coverage(
  page: Document,
  rules: PaintRule[],
  left: AbortSignal,
): Promise<Map<string, number> | undefined> {
  const known = new Map<Element, string>();
  const out = new Map<string, number>();
  // A frame that is about to show another page has none for a moment.
  const root: Element | null = page.documentElement;
  if (!root) return undefined;
  const { clientWidth: width, clientHeight: height } = root;
  for (let row = 0; row < ROWS; row++) {
    if (row > 0 && row % AT_ONCE === 0) await new Promise((go) => setTimeout(go));
    if (left.aborted) return undefined;
    for (let column = 0; column < COLUMNS; column++) {
      const [x, y] = [((column + 0.5) / COLUMNS) * width, ((row + 0.5) / ROWS) * height];
      const element = page.elementFromPoint(x, y);
      if (!element) continue;
      const ground = known.get(element) ?? upwards(rules, element, "ground") ?? "--surface-base";
      known.set(element, ground);
      out.set(ground, (out.get(ground) ?? 0) + 1 / (ROWS * COLUMNS));
    }
  }
  return out;
}
