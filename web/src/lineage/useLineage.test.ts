// Brand colours of a child: the parent's in their places, its own among them and behind.
import { expect, test } from "vitest";
import type { Lineage } from "../api/family";
import { decisionsAt, shownBrand, whoseIs } from "./useLineage";

const lineage: Lineage = {
  parent: { slug: "tern", name: "Tern" },
  merged: { format: 1, name: "Night" },
  brand: [
    { slug: "petrol", name: "Petrol", color: "#0f5c7a", own: false },
    { slug: "buoy", name: "Buoy", color: "#e4572e", own: true },
  ],
  decisions: [
    { place: "/brand/buoy", label: "brand colour buoy", replaces: true },
    { place: "/shape/radius", label: "shape radius", replaces: false },
  ],
  cells: [],
};

test("a parent's colours stand in their places, and what was just added behind them", () => {
  const own = [
    { name: "Buoy", slug: "buoy", color: "#ff0000" },
    { name: "Lamp", slug: "lamp", color: "#f2b632" },
  ];
  const shown = shownBrand(own, lineage).map((c) => [c.slug, c.color, c.own]);
  expect(shown).toEqual([
    ["petrol", "#0f5c7a", false],
    ["buoy", "#ff0000", true],
    ["lamp", "#f2b632", true],
  ]);
});

test("a colour that is gone by now is not shown, and without a parent all are its own", () => {
  expect(shownBrand([], lineage).map((c) => c.slug)).toEqual(["petrol"]);
  expect(shownBrand([{ name: "Buoy", slug: "buoy", color: "#ff0000" }], undefined)).toEqual([
    { name: "Buoy", slug: "buoy", color: "#ff0000", own: true },
  ]);
});

test("a value says whose it is", () => {
  const cell = (whose: "own" | "inherited" | "derived", from: number[] = []) => ({
    path: "a.b",
    mode: null,
    whose,
    from,
  });
  expect(whoseIs(lineage, cell("own"))).toBe("own");
  expect(whoseIs(lineage, cell("inherited"))).toBe("from Tern");
  expect(whoseIs(lineage, cell("derived", [0]))).toBe("follows brand colour buoy");
  expect(whoseIs(lineage, cell("derived", [1, 0]))).toBe("follows shape radius and 1 more");
  expect(whoseIs(undefined, cell("own"))).toBeUndefined();
});

test("decisions are found by their places", () => {
  expect(decisionsAt(lineage, (place) => place.startsWith("/shape")).map((d) => d.label)).toEqual([
    "shape radius",
  ]);
});
