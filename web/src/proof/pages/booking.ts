import { el } from "../element";
import { bar } from "./bar";

function field(id: string, label: string, input: HTMLElement, help?: HTMLElement): HTMLElement {
  input.id = id;
  return el("div.field", el("label.field-label", { for: id }, label), input, ...(help ? [help] : []));
}

const input = (attributes: Record<string, string>) => el("input.field-input", attributes);

/** Booking a crossing: a form with a refused field, a disabled one and a progress bar. */
export function booking(): HTMLElement {
  const steps = el(
    "div.stack",
    el("div.spread.fine", el("span", "Step 2 of 3"), el("span.muted", "Vehicle and passengers")),
    el("div.progress", el("div.progress-done.two-thirds")),
  );
  const refused = field(
    "plate",
    "Number plate",
    input({ value: "VS 40", "aria-invalid": "true", "aria-describedby": "plate-error" }),
    el("span.field-error", { id: "plate-error" }, "Six characters are needed, such as VS 40 BK."),
  );
  const form = el(
    "div.card.card-raised.form",
    field("from", "From", input({ value: "Port Anlow" })),
    field("to", "To", input({ value: "Vess" })),
    field(
      "day",
      "Day",
      input({ placeholder: "9 June" }),
      el("span.field-hint", "Sailings are published eight weeks ahead."),
    ),
    refused,
    field("cabin", "Cabin", input({ value: "Only on night sailings", disabled: "" })),
  );
  const total = el(
    "div.notice.intent-info.spread",
    el("span", "2 adults, 1 car, 1 bicycle"),
    el("strong", "84.50"),
  );
  const actions = el(
    "div.actions",
    el("button.button", { type: "button" }, "Continue"),
    el("button.button.button-outline", { type: "button" }, "Save for later"),
    el("button.button", { type: "button", disabled: "" }, "Pay"),
    el("button.button.button-outline.intent-danger", { type: "button" }, "Cancel booking"),
  );
  const page = el("div.page", el("h1", "Book a crossing"), steps, form, total, actions);
  return el("div", bar("Tickets"), page);
}
