import { el } from "../element";
import { bar } from "./bar";

const SVG = "http://www.w3.org/2000/svg";

function svg(tag: string, attributes: Record<string, string | number>, ...children: Node[]): SVGElement {
  const node = document.createElementNS(SVG, tag);
  for (const [key, value] of Object.entries(attributes)) node.setAttribute(key, String(value));
  node.append(...children);
  return node;
}

const PASSENGERS = [42, 61, 55, 78, 96, 120, 88];
const VEHICLES = [20, 24, 22, 31, 40, 52, 38];
const SHARES = [31, 19, 14, 11, 9, 7, 5, 4];
const PORTS = ["Anlow", "Vess", "Skerry", "Hollin", "Tarn", "Marl", "Oxholm", "Sund"];

function line(values: number[], chart: number): SVGElement {
  const points = values.map((v, i) => `${10 + i * 45},${112 - v * 0.8}`).join(" ");
  return svg("polyline", { points, class: `chart-line chart-${chart}` });
}

function ring(): SVGElement {
  let from = 0;
  const total = SHARES.reduce((a, b) => a + b, 0);
  const arcs = SHARES.map((share, i) => {
    const length = (share / total) * 100;
    const arc = svg("circle", {
      cx: 50,
      cy: 50,
      r: 36,
      pathLength: 100,
      "stroke-dasharray": `${length - 0.6} ${100 - length + 0.6}`,
      "stroke-dashoffset": 25 - from,
      class: `chart-ring chart-${i + 1}`,
    });
    from += length;
    return arc;
  });
  return svg(
    "svg",
    { viewBox: "0 0 100 100", role: "img", "aria-label": "Passengers by port", class: "ring" },
    ...arcs,
  );
}

function figure(value: string, label: string, intent: string, change: string): HTMLElement {
  return el(
    "div.card.figure",
    el("div.muted.fine", label),
    el("div.big", value),
    el(`span.badge.intent-${intent}`, change),
  );
}

/** Figures of the day, with charts. */
export function dashboard(): HTMLElement {
  const grid = [24, 52, 80, 108].map((y) =>
    svg("line", { x1: 0, x2: 290, y1: y, y2: y, class: "chart-grid" }),
  );
  const week = svg(
    "svg",
    { viewBox: "0 0 290 118", role: "img", "aria-label": "Passengers and vehicles this week" },
    ...grid,
    line(PASSENGERS, 1),
    line(VEHICLES, 2),
  );
  const legend = PORTS.map((port, i) =>
    el("span.fine", el(`span.dot.chart-dot.chart-${i + 1}`), `${port} ${SHARES[i]} %`),
  );
  const page = el(
    "div.page",
    el("h1", "Today on the sound"),
    el(
      "div.figures",
      figure("1,284", "Passengers", "success", "up 6 %"),
      figure("312", "Vehicles", "warning", "down 2 %"),
      figure("14 / 15", "Sailings", "danger", "1 cancelled"),
    ),
    el(
      "div.card.figure",
      el("div.spread.fine", el("strong", "This week"), el("span.muted", "passengers, vehicles")),
      week,
    ),
    el("div.card.figure.sides", ring(), el("div.legend", ...legend)),
  );
  return el("div", bar("Sailings"), page);
}
