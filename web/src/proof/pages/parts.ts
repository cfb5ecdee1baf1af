import { el } from "../element";
import { bar } from "./bar";

const STATES = ["", ".is-hover", ".is-pressed", ".is-focus", ".is-disabled"];
const STATE_NAMES = ["rest", "hover", "pressed", "focus", "disabled"];
const INTENTS = ["primary", "secondary", "accent", "success", "warning", "danger", "info", "neutral"];

function states(make: (state: string, name: string) => HTMLElement): HTMLElement {
  return el("div.actions", ...STATES.map((state, i) => make(state, STATE_NAMES[i] ?? "")));
}

function section(title: string, ...content: HTMLElement[]): HTMLElement {
  return el("section.stack", el("h2", title), ...content);
}

/** Every component in every state. */
export function parts(): HTMLElement {
  const button = (extra: string) =>
    states((state, name) => el(`button.button${extra}${state}`, { type: "button" }, name));
  const tab = (state: string, name: string) =>
    el(
      `button.tab${state}`,
      {
        role: "tab",
        "aria-selected": String(state === ".is-selected"),
        ...(state === ".is-disabled" ? { disabled: "" } : {}),
      },
      name,
    );
  const page = el(
    "div.page",
    section("Button", button(""), button(".button-outline"), button(".button-gradient")),
    section(
      "Intents",
      el("div.actions", ...INTENTS.map((i) => el(`button.button.intent-${i}`, { type: "button" }, i))),
      el("div.actions", ...INTENTS.map((i) => el(`span.badge.intent-${i}`, i))),
    ),
    section(
      "Field",
      el("input.field-input", { "aria-label": "rest", value: "rest" }),
      el("input.field-input.is-hover", { "aria-label": "hover", value: "hover" }),
      el("input.field-input.is-focus", { "aria-label": "focus", value: "focus" }),
      el("input.field-input", { "aria-label": "refused", "aria-invalid": "true", value: "refused" }),
      el("input.field-input", { "aria-label": "disabled", disabled: "", value: "disabled" }),
    ),
    section(
      "Tabs and links",
      el(
        "div.tabs",
        { role: "tablist" },
        tab("", "rest"),
        tab(".is-hover", "hover"),
        tab(".is-selected", "selected"),
        tab(".is-disabled", "disabled"),
      ),
      el(
        "p",
        ...["", ".is-hover", ".is-pressed", ".is-focus"].flatMap((s, i) => [
          el(`a.link${s}`, { href: "#" }, STATE_NAMES[i] ?? ""),
          "  ",
        ]),
      ),
    ),
    section(
      "Notice",
      ...["info", "success", "warning", "danger"].map((i) => el(`p.notice.intent-${i}`, `Notice of ${i}`)),
    ),
    section(
      "Progress",
      ...["primary", "success", "danger"].map((i) =>
        el(`div.progress.intent-${i}`, el("div.progress-done.two-thirds")),
      ),
    ),
    section(
      "Chart",
      el(
        "div.actions",
        ...Array.from({ length: 8 }, (_, i) => el(`span.dot.chart-dot.chart-${i + 1}.large`)),
      ),
    ),
  );
  return el("div", bar("Crew"), page);
}
