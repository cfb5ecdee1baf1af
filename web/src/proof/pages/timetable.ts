import { el } from "../element";
import { bar } from "./bar";

interface Sailing {
  time: string;
  to: string;
  boat: string;
  state: string;
  intent: "success" | "warning" | "danger" | "info" | "neutral";
  note?: string;
}

const SAILINGS: Sailing[] = [
  { time: "06:20", to: "Skerry Holm", boat: "Tern", state: "Departed", intent: "neutral" },
  { time: "07:40", to: "Skerry Holm", boat: "Tern", state: "Boarding", intent: "info", note: "Gate 2" },
  {
    time: "08:15",
    to: "Vess",
    boat: "Maren Aske",
    state: "20 min late",
    intent: "warning",
    note: "Fog on the sound",
  },
  {
    time: "09:05",
    to: "Little Tarn",
    boat: "Dunlin",
    state: "Cancelled",
    intent: "danger",
    note: "Engine check",
  },
  { time: "09:30", to: "Hollin Quay", boat: "Curlew", state: "On time", intent: "success" },
  { time: "10:10", to: "Vess", boat: "Maren Aske", state: "On time", intent: "success" },
  { time: "11:00", to: "Port Anlow", boat: "Tern", state: "On time", intent: "success" },
];

function sailing(s: Sailing, index: number): HTMLElement {
  const place = el(
    "td",
    el("div.place", s.to),
    el("div.muted.fine", s.note ? `${s.boat} · ${s.note}` : s.boat),
  );
  const state = el("td.end", el(`span.badge.intent-${s.intent}`, s.state));
  const row = el(index === 1 ? "tr.row.is-selected" : "tr.row", el("td.time", s.time), place, state);
  return row;
}

/** Today's sailings, with delays, a cancellation and a boarding call. */
export function timetable(): HTMLElement {
  const tabs = el(
    "div.tabs",
    { role: "tablist", "aria-label": "Day" },
    el("button.tab", { role: "tab", "aria-selected": "true" }, "Today"),
    el("button.tab", { role: "tab", "aria-selected": "false" }, "Tomorrow"),
    el("button.tab", { role: "tab", "aria-selected": "false" }, "Week"),
  );
  const table = el(
    "table.table",
    el("thead", el("tr", el("th", "Time"), el("th", "To"), el("th.end", "Status"))),
    el("tbody", ...SAILINGS.map(sailing)),
  );
  const notice = el(
    "p.notice.intent-warning",
    { role: "status" },
    "Fog on the sound: sailings to Vess run up to 20 minutes late.",
  );
  const actions = el(
    "div.actions",
    el("button.button", { type: "button" }, "Book a crossing"),
    el("button.button.button-outline", { type: "button" }, "Timetable as a file"),
  );
  const rules = el(
    "p.fine.muted",
    "Check in closes ten minutes before sailing. ",
    el("a.link", { href: "#" }, "Rules for vehicles"),
  );
  const intro = el(
    "div",
    el("h1", "Sailings from Port Anlow"),
    el("p.muted", "Tuesday, 9 June · wind south-west 4"),
  );
  const page = el("div.page", intro, notice, tabs, el("div.card.clip", table), actions, rules);
  return el("div", bar("Sailings"), page);
}
