import type { View } from "../view";
import { focusBench } from "./focusBench";

/** What of a view takes the keys when somebody is led to it, the most particular first. */
const LANDINGS = ["finding", "scale", "target", "source", "side"] as const satisfies (keyof View)[];

/** `at` is a place that no address names. */
type Landing = (typeof LANDINGS)[number] | "at";

/** Marks where the keys arrive when this of a view is looked for: a control, or what has controls in it. */
export const landing = (what: Landing, value: string) => ({ "data-landing": `${what} ${value}` });

const CONTROLS = "button, textarea, input:not([type=file]), select, [tabindex]";

/** Frames in which what is looked for may still be fetched and drawn. */
const PATIENCE = 120;

/**
 * Puts the keys at what a view asks for once it is drawn, so that who was led there by keys goes on there
 * and not from the top of the page; or at a place in it. Gives way to whoever acts meanwhile.
 */
export function arriveAt(view: Partial<View>, at?: string) {
  const what = LANDINGS.find((key) => typeof view[key] === "string");
  const mark = at ? `at ${at}` : what && `${what} ${view[what]}`;
  if (!mark) return void setTimeout(focusBench, 60);
  const acted = new AbortController();
  for (const act of ["keydown", "pointerdown"])
    window.addEventListener(act, () => acted.abort(), { signal: acted.signal, capture: true });
  const look = (patience: number) => {
    if (acted.signal.aborted) return;
    const control = controlAt(mark);
    // What asked first closes and hands the keys back.
    if (control && !document.querySelector("[role=dialog]")) settle(control, acted);
    else if (patience > 0) requestAnimationFrame(() => look(patience - 1));
    else acted.abort();
  };
  requestAnimationFrame(() => look(PATIENCE));
}

/** Takes the keys after those who give them back on closing had their turn. */
function settle(control: HTMLElement, acted: AbortController) {
  setTimeout(() => {
    if (!acted.signal.aborted) control.focus();
    acted.abort();
  }, 30);
}

function controlAt(mark: string): HTMLElement | undefined {
  const marked = [...document.querySelectorAll<HTMLElement>("[data-landing]")].find(
    (element) => element.dataset.landing === mark,
  );
  if (!marked || marked.matches(CONTROLS)) return marked;
  return [...marked.querySelectorAll<HTMLElement>(CONTROLS)].find(
    (control) => control.checkVisibility() && !control.matches(":disabled"),
  );
}
