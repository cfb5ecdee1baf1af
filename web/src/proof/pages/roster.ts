import { el } from "../element";
import { bar } from "./bar";

type Row = [name: string, duty: string, boat: string, state: string, intent: string, kind?: string];

const CREW: Row[] = [
  ["Ingrid Sole", "Master", "Tern", "On board", "success"],
  ["Odd Farrow", "Mate", "Tern", "On board", "success", "is-selected"],
  ["Mina Teal", "Engineer", "Maren Aske", "Late", "warning"],
  ["Jon Hallam", "Deck", "Maren Aske", "On board", "success", "is-hover"],
  ["Petra Lund", "Deck", "Dunlin", "Stood down", "danger"],
  ["Sam Okoro", "Purser", "Curlew", "Boarding", "info"],
  ["Una Brandt", "Steward", "Curlew", "On leave", "neutral", "is-disabled"],
  ["Elis Moor", "Engineer", "Curlew", "On board", "success"],
];

function row([name, duty, boat, state, intent, kind]: Row): HTMLElement {
  const selected = kind === "is-selected";
  return el(
    kind ? `tr.row.${kind}` : "tr.row",
    el(
      "td",
      el("input", { type: "checkbox", "aria-label": `Select ${name}`, ...(selected ? { checked: "" } : {}) }),
    ),
    el("td", el("div.place", name), el("div.muted.fine", duty)),
    el("td", boat),
    el("td.end", el(`span.badge.intent-${intent}`, state)),
  );
}

/** Who sails on which boat today, with a selection. */
export function roster(): HTMLElement {
  const head = el("tr", el("th", ""), el("th", "Name"), el("th", "Boat"), el("th.end", "State"));
  const table = el("table.table", el("thead", head), el("tbody", ...CREW.map(row)));
  const actions = el(
    "div.actions",
    el("button.button", { type: "button" }, "Call on board"),
    el("button.button.button-outline.intent-neutral", { type: "button" }, "Swap duty"),
  );
  const page = el(
    "div.page",
    el("div", el("h1", "Crew, morning watch"), el("p.muted", "1 of 8 selected")),
    el("div.card.clip", table),
    actions,
  );
  return el("div", bar("Crew"), page);
}
