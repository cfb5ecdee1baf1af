import { expect, test } from "vitest";
import type { ThemeDocument } from "../api/client";
import { conflicts, decidesSame, decisionsOf, differing, placeInWords } from "./decisions";

const base: ThemeDocument = {
  format: 1,
  name: "Tern",
  brand: [
    { name: "Petrol", slug: "petrol", color: "#0f5c7a" },
    { name: "Buoy", slug: "buoy", color: "#e4572e" },
  ],
  roles: { "text.main": { light: "#111", dark: "#eee" } },
};

test("colours are known by their slugs, wherever they stand", () => {
  const moved = { ...base, brand: [...(base.brand ?? [])].reverse() };
  expect(differing(decisionsOf(base), decisionsOf(moved))).toEqual(["brand"]);
});

test("edits of different things are no conflict, of one thing they are", () => {
  const light = { ...base, roles: { "text.main": { light: "#222", dark: "#eee" } } };
  const dark = { ...base, roles: { "text.main": { light: "#111", dark: "#ddd" } } };
  const other = { ...base, roles: { "text.main": { light: "#333", dark: "#eee" } } };
  expect(conflicts(base, light, dark)).toEqual([]);
  expect(conflicts(base, light, structuredClone(light))).toEqual([]);
  expect(conflicts(base, light, other)).toEqual([
    { place: "roles/text.main/light", mine: "#222", theirs: "#333" },
  ]);
});

test("what one side took away is a decision too", () => {
  const gone = { ...base, roles: {} };
  const set = { ...base, roles: { "text.main": { light: "#222", dark: "#eee" } } };
  expect(conflicts(base, set, gone)).toEqual([
    { place: "roles/text.main/light", mine: "#222", theirs: undefined },
  ]);
});

test("places are told in words", () => {
  for (const [place, words] of [
    ["brand/petrol/color", "colour of petrol"],
    ["roles/text.main/light", "text.main (light)"],
    ["scales/petrol/lightness/300", "petrol 300: lightness"],
    ["scales/petrol/turn", "petrol: turn"],
    ["handoff/css/prefix", "handoff: css, prefix"],
    ["type/base", "type base"],
  ]) {
    expect(placeInWords(place ?? "")).toBe(words);
  }
});

test("what decides nothing makes no difference", () => {
  const empty = { ...base, scales: { petrol: { lightness: {}, alpha: [] } }, steps: null };
  expect(decidesSame(base, empty)).toBe(true);
  expect(decidesSame(base, { ...base, steps: ["1", "2"] })).toBe(false);
});
