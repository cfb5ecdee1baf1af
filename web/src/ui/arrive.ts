import type { View } from "../view";
import { focusBench } from "./focusBench";

/** What of a view takes the keys when somebody is led to it, the most particular first. */
const LANDINGS = ["finding", "scale", "target", "source", "side"] as const satisfies (keyof View)[];

type Landing = (typeof LANDINGS)[number];

/** Marks where the keys arrive when this of a view is looked for: a control, or what has controls in it. */
export const landing = (what: Landing, value: string) => ({ "data-landing": `${what} ${value}` });

const CONTROLS = "button, textarea, input:not([type=file]), select, [tabindex]";

/** Frames in which what is looked for may still be fetched and drawn. */
const PATIENCE = 120;

/**
 * Puts the keys at what a view asks for once it is drawn, so that who was led there by keys goes on there
 * and not from the top of the page; or at the control that is called as `at` says. Gives way to whoever acts meanwhile.
 */
export function arriveAt(view: Partial<View>, at?: string) {
  const what = LANDINGS.find((key) => typeof view[key] === "string");
  if (!at && !what) return void setTimeout(focusBench, 60);
  const acted = new AbortController();
  for (const act of ["keydown", "pointerdown"])
    window.addEventListener(act, () => acted.abort(), { signal: acted.signal, capture: true });
  const look = (patience: number) => {
    if (acted.signal.aborted) return;
    const control = at ? controlNamed(at) : controlAt(`${what} ${what && view[what]}`);
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
    if (!acted.signal.aborted) {
      control.focus();
      // What is typed next takes the place of what stands there.
      if (control instanceof HTMLInputElement) control.select();
    }
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

/** The control of the bench that has a name. */
function controlNamed(name: string): HTMLElement | undefined {
  // Words with help take keys too, and stand in the label of what is meant.
  const controls = document.querySelectorAll<HTMLElement>(`main :is(${CONTROLS}):not(span)`);
  return [...controls].find((control) => {
    const [label] = (control as HTMLInputElement).labels ?? [];
    return (control.ariaLabel ?? label?.textContent ?? control.textContent) === name;
  });
}
