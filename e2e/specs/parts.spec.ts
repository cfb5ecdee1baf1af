// Parts of the front end that need no page: changes of a document, the pump, searching, comparing.
import { expect, test } from "@playwright/test";
import type { Derived, Spec, Target, Token } from "../../web/src/api/client";
import * as edits from "../../web/src/editor/edits";
import { Pump } from "../../web/src/editor/pump";
import { changedLines } from "../../web/src/stages/handoff/changed";
import { hit } from "../../web/src/stages/handoff/search";
import { filtered, groupsOf, makeRows } from "../../web/src/stages/ledger/rows";

const spec: Spec = {
  format: 1,
  name: "Tern",
  brand: [
    { name: "Petrol", slug: "petrol", color: "#0f5c7a" },
    { name: "Sand", slug: "sand", color: "#f3e3c3" },
  ],
  scales: { petrol: { turn: 4, lightness: { "300": 75 }, omit: ["50"] }, sand: { to: "petrol" } },
  intents: { info: { scale: "petrol" }, accent: { scale: "sand" } },
  roles: { "link.rest": { light: "{petrol.700}", dark: "#fff" }, "text.main": { light: "{sand.900}" } },
  tokens: { "ferry.wake": { value: "{ petrol.100 }" }, "ferry.hull": { light: "#111", dark: "#222" } },
};

function token(path: string, section: Token["section"], modes = true): Token {
  const cell = { value: "#111111", origin: "derived", reason: "because" } as Token["light"];
  const css = `--${path.replaceAll(".", "-")}`;
  return {
    path,
    css,
    kind: "color",
    section,
    omitted: false,
    light: cell,
    ...(modes && { dark: cell }),
  } as Token;
}

test.describe("changes of a document", () => {
  test("never alter the document they are made to", () => {
    const before = structuredClone(spec);
    edits.setBrand(spec, 0, { color: "#111" });
    edits.removeBrand(spec, 0);
    edits.moveBrand(spec, 0, 1);
    edits.setStepLightness(spec, "petrol", "300", 70);
    edits.setPin(spec, "petrol", "300", "#123456");
    edits.omitStep(spec, "petrol", "100", true);
    edits.setToken(spec, token("link.rest", "roles"), "dark", "#000");
    edits.removeToken(spec, "ferry.wake");
    edits.dropTargets(edits.setOption(spec, "css", "mode", "class"), ["css"]);
    expect(spec).toEqual(before);
  });

  test("a brand colour goes with everything that refers to it, and nothing else", () => {
    const left = edits.removeBrand(spec, 0);
    expect(left.brand?.map((b) => b.slug)).toEqual(["sand"]);
    expect(left.scales).toEqual({ sand: { to: null } });
    expect(left.intents).toEqual({ accent: { scale: "sand" } });
    expect(left.roles).toEqual({ "text.main": { light: "{sand.900}" } });
    expect(left.tokens).toEqual({ "ferry.hull": { light: "#111", dark: "#222" } });
  });

  test("brand colours change places", () => {
    expect(edits.moveBrand(spec, 1, 0).brand?.map((b) => b.slug)).toEqual(["sand", "petrol"]);
    expect(edits.moveBrand(spec, 9, 0).brand).toEqual(spec.brand);
  });

  test("a lightness is kept to a tenth beside the others, and taken back", () => {
    const moved = edits.setStepLightness(spec, "petrol", "400", 61.2345);
    expect(moved.scales?.petrol).toEqual({ ...spec.scales?.petrol, lightness: { "300": 75, "400": 61.2 } });
    expect(edits.setStepLightness(moved, "petrol", "300", undefined).scales?.petrol?.lightness).toEqual({
      "400": 61.2,
    });
  });

  test("a step is left out once and taken back in", () => {
    const out = edits.omitStep(edits.omitStep(spec, "petrol", "100", true), "petrol", "100", true);
    expect(out.scales?.petrol?.omit).toEqual(["50", "100"]);
    expect(edits.omitStep(out, "petrol", "50", false).scales?.petrol?.omit).toEqual(["100"]);
  });

  test("a role keeps its other mode, and goes with its last", () => {
    const role = token("link.rest", "roles");
    const dark = edits.setToken(spec, role, "light", undefined);
    expect(dark.roles?.["link.rest"]).toEqual({ dark: "#fff" });
    expect(edits.setToken(dark, role, "dark", undefined).roles).toEqual({
      "text.main": { light: "{sand.900}" },
    });
  });

  test("a step that is set is a pin of its scale", () => {
    const set = edits.setToken(spec, token("sand.300", "scales", false), "light", "#eeddcc");
    expect(set.scales?.sand).toEqual({ to: "petrol", pins: { "300": "#eeddcc" } });
  });

  test("an own token keeps one value for both modes, or one for each", () => {
    const both = edits.setToken(spec, token("ferry.wake", "own", false), "light", "#abc");
    expect(both.tokens?.["ferry.wake"]).toEqual({ value: "#abc" });
    const one = edits.setToken(both, token("ferry.wake", "own"), "dark", "#def");
    expect(one.tokens?.["ferry.wake"]).toEqual({ light: "#abc", dark: "#def" });
  });

  test("targets keep their options when they are chosen again, and lose them when they go", () => {
    const one = edits.setOption(edits.setOption(spec, "css", "mode", "class"), "css", "prefix", "");
    expect(one.handoff).toEqual({ css: { mode: "class", prefix: "" } });
    const two = edits.chooseTargets(one, ["css", "sass"]);
    expect(two.handoff).toEqual({ css: { mode: "class", prefix: "" }, sass: {} });
    expect(edits.dropTargets(two, ["css"]).handoff).toEqual({ sass: {} });
  });

  test("what is chosen for the handoff derives nothing", () => {
    const chosen = edits.setOption(spec, "css", "mode", "class");
    expect(edits.derivesAlike(spec, chosen)).toBe(true);
    expect(edits.alike(spec, chosen)).toBe(false);
    expect(edits.derivesAlike(spec, edits.setBrand(spec, 0, { color: "#111" }))).toBe(false);
    expect(edits.alike(spec, structuredClone(spec))).toBe(true);
  });
});

test.describe("the pump", () => {
  test("runs one at a time, and always the newest next", async () => {
    const ran: number[] = [];
    const done: number[] = [];
    const waiting: (() => void)[] = [];
    const pump = new Pump<number, number>(
      (n) => {
        ran.push(n);
        return new Promise((go) => waiting.push(() => go(n * 10)));
      },
      (_, out) => done.push(out),
      () => undefined,
    );
    for (const n of [1, 2, 3, 4]) pump.push(n);
    expect(ran).toEqual([1]);
    waiting.shift()?.();
    await expect.poll(() => ran).toEqual([1, 4]);
    waiting.shift()?.();
    await expect.poll(() => done).toEqual([10, 40]);
    pump.push(5);
    expect(ran).toEqual([1, 4, 5]);
  });

  test("goes on after a failure", async () => {
    const seen: string[] = [];
    const pump = new Pump<string, string>(
      (word) => (word === "bad" ? Promise.reject(new Error("no")) : Promise.resolve(word)),
      (word) => seen.push(word),
      (word, error) => seen.push(`${word}: ${String(error)}`),
    );
    pump.push("bad");
    await expect.poll(() => seen).toEqual(["bad: Error: no"]);
    pump.push("good");
    await expect.poll(() => seen).toEqual(["bad: Error: no", "good"]);
  });
});

test.describe("the file", () => {
  test("marks the lines that a change altered, and not the head", () => {
    const before = ["/* rev 1, content 0123456789ab */", ":root {", "  --a: 1;", "  --b: 2;", "}"];
    const after = ["/* rev 2, content ba9876543210 */", ":root {", "  --a: 1;", "  --b: 3;", "}"];
    expect([...changedLines(after, before)]).toEqual([3]);
    expect([...changedLines(after, undefined)]).toEqual([]);
  });

  test("marks new lines, and none of those that only moved down", () => {
    const before = [":root {", "  --a: 1;", "}"];
    expect([...changedLines([":root {", "  --new: 0;", "  --a: 1;", "}"], before)]).toEqual([1]);
    expect([...changedLines([":root {", "}"], before)]).toEqual([]);
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

test.describe("the ledger", () => {
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
