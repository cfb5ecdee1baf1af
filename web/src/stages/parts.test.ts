// Parts of the stages that need no page: searching, comparing, narrowing.
import { describe, expect, test } from "vitest";
import type { Derived, Target } from "../api/client";
import { token } from "../testing/token";
import { colorIn } from "../ui/colorIn";
import { changedLines } from "./handoff/changed";
import { hit } from "./handoff/search";
import { filtered, groupsOf, makeRows } from "./ledger/rows";

describe("the colour that a line tells", () => {
  test("is read as the file's language writes it", () => {
    for (const [line, color, opacityFirst] of [
      ["  --petrol-600: #0f5c7a;", "#0f5c7a", false],
      ["  --shadow-near: #17171729;", "#17171729", false],
      ['  <color name="backdrop_fill">#80171717</color>', "#17171780", true],
      ["  static const petrol600 = Color(0xFF0F5C7A);", "#0F5C7AFF", false],
      ["  --petrol-600: oklch(0.446 0.084 230.7);", "oklch(0.446 0.084 230.7)", false],
      ["  --link-rest: var(--petrol-600);", undefined, false],
      ["/* revision 2, content a550a38ad5 */", undefined, false],
    ] as const)
      expect(colorIn(line, opacityFirst)).toBe(color);
  });
});

describe("the file", () => {
  test("marks the lines that a change altered, and not the head", () => {
    const before = ["/* rev 1, content 0123456789ab */", ":root {", "  --a: 1;", "  --b: 2;", "}"];
    const after = ["/* rev 2, content ba9876543210 */", ":root {", "  --a: 1;", "  --b: 3;", "}"];
    expect([...changedLines(after, before, 1)]).toEqual([3]);
    expect([...changedLines(after, undefined, 1)]).toEqual([]);
  });

  test("marks new lines, and none of those that only moved down", () => {
    const before = [":root {", "  --a: 1;", "}"];
    expect([...changedLines([":root {", "  --new: 0;", "  --a: 1;", "}"], before, 0)]).toEqual([1]);
    expect([...changedLines([":root {", "}"], before, 0)]).toEqual([]);
  });

  test("is found by a target's name, its file's ending and a key inside", () => {
    const target = {
      id: "sass",
      name: "Sass module",
      files: ["_theme.scss"],
      keys: ["$petrol-600", "@use"],
    } as Target;
    for (const [words, found] of [
      ["sass m", "Sass module"],
      [".scss", "_theme.scss"],
      ["SCSS", "_theme.scss"],
      ["@use", "@use"],
      ["", "Sass module"],
      ["xml", undefined],
    ]) {
      expect(hit(target, words as string), words).toBe(found);
    }
  });
});

describe("the ledger", () => {
  const cell = (value: string, alias?: string, origin = "derived") => ({ value, alias, origin, reason: "" });
  const derived = {
    tokens: [
      { ...token("petrol.600", "scales", false), light: cell("#0f5c7a") },
      {
        ...token("link.rest", "roles"),
        light: cell("#0f5c7a", "petrol.600"),
        dark: cell("#77ccee", undefined, "set"),
      },
      { ...token("text.main", "roles"), light: cell("#001018"), dark: cell("#f0f8ff") },
    ],
    pairs: [
      { mode: "light", fg: "link.rest", bg: "surface.base", ratio: 6, need: 4.5, pass: true },
      { mode: "light", fg: "link.rest", bg: "surface.sunken", ratio: 4, need: 4.5, pass: false },
      { mode: "dark", fg: "link.rest", bg: "surface.base", ratio: 9, need: 4.5, pass: true },
      { mode: "light", fg: "gone", bg: "surface.base", ratio: 1, need: 4.5, pass: false },
    ],
  } as unknown as Derived;
  const rows = makeRows(derived);
  const none = { word: "", origin: "", group: "", failing: false };
  const paths = (filter: Partial<typeof none>, names = {}) =>
    filtered(rows, { ...none, ...filter }, names).map((r) => r.token.path);

  test("knows the hardest pair of a token in each mode, and what refers to it", () => {
    const link = rows.find((r) => r.token.path === "link.rest");
    expect(link?.ratio).toEqual({ light: { ratio: 4, need: 4.5 }, dark: { ratio: 9, need: 4.5 } });
    expect(rows.find((r) => r.token.path === "petrol.600")?.usedBy).toEqual(["link.rest"]);
    expect(groupsOf(rows)).toEqual(["petrol", "link", "text"]);
  });

  test("is narrowed by words, origin, group and failing pairs", () => {
    expect(paths({})).toEqual(["petrol.600", "link.rest", "text.main"]);
    expect(paths({ word: "PETROL" })).toEqual(["petrol.600", "link.rest"]);
    expect(paths({ word: "link 77cc" })).toEqual(["link.rest"]);
    expect(paths({ word: "--text-main" })).toEqual(["text.main"]);
    expect(paths({ origin: "set" })).toEqual(["link.rest"]);
    expect(paths({ group: "text" })).toEqual(["text.main"]);
    expect(paths({ failing: true })).toEqual(["link.rest"]);
    expect(paths({ word: "$ink" }, { "text.main": "$ink" })).toEqual(["text.main"]);
  });
});
