import { el } from "../element";

const ITEMS = ["Sailings", "Tickets", "Crew"];

/** The bar on top of every page. */
export function bar(current: string): HTMLElement {
  const items = ITEMS.map((item) =>
    el("a.bar-item", { href: "#", ...(item === current ? { "aria-current": "page" } : {}) }, item),
  );
  return el("div.bar", el("span.bar-title", "Brindle", el("span.long", " Sound")), ...items);
}
