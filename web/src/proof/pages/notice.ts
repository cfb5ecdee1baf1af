import { el } from "../element";
import { bar } from "./bar";

const link = (text: string, state = "") => el(`a.link${state}`, { href: "#" }, text);

/** A notice with long text and links. */
export function notice(): HTMLElement {
  const page = el(
    "div.page.prose",
    el("p.notice.intent-danger", { role: "status" }, "The Little Tarn slipway is closed until Friday."),
    el("h1", "Winter timetable on the northern crossings"),
    el("p.muted.fine", "Harbour office, Port Anlow · 3 June"),
    el(
      "p",
      "From 14 June the boats to Vess and Skerry Holm leave twenty minutes earlier on weekdays. The tide at Hollin Quay decides the rest, and we publish each week's sailings on the ",
      link("tide page"),
      " by Sunday noon.",
    ),
    el(
      "p",
      "Tickets already bought stay valid. If the new time does not suit you, change it without a fee at ",
      link("your bookings", ".is-hover"),
      " or at any counter, up to one hour before the boat leaves.",
    ),
    el("h2", "What stays the same"),
    el(
      "p",
      "Bicycles travel free. Dogs are welcome on the open deck and in the aft saloon. The night boat keeps its quiet hours, ten to six, and its cabins can be kept until eight.",
    ),
    el("p.notice.intent-success", "Cabins on the night boat now have sockets at every berth."),
    el("p", "Questions? ", link("Write to the harbour office", ".is-focus"), " or ask on board."),
  );
  return el("div", bar("Sailings"), page);
}
