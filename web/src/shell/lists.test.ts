// Lists of the shell: what is found, in which order, and themes under their parents.
import { expect, test } from "vitest";
import type { ThemeSummary } from "../api/client";
import { STAGES } from "../stages";
import { KEYS } from "../stages/keys";
import { listed } from "../ui/listed";
import { type Found, indexed, ranked } from "./finding";

const found = (group: string, name: string, words = name): Found => ({
  id: `${group} ${name}`,
  group,
  name,
  words,
  run: () => undefined,
});

const everything = [
  found("Go to", "Ledger"),
  found("Tokens", "primary.fill", "primary.fill #0f5c7a"),
  found("Tokens", "petrol.600", "petrol.600 #0f5c7a"),
  found("Scales", "Petrol"),
  found("Targets", "Sass module", "Sass module _theme.scss"),
];

test("what is called like the word comes first, group by group", () => {
  const groups = ranked(indexed(everything), "petrol");
  expect(groups.map((g) => g.group)).toEqual(["Scales", "Tokens"]);
  expect(ranked(indexed(everything), "0f5c").map((g) => g.hits.map((h) => h.name))).toEqual([
    ["primary.fill", "petrol.600"],
  ]);
  expect(ranked(indexed(everything), "scss module")[0]?.hits[0]?.name).toBe("Sass module");
  expect(ranked(indexed(everything), "nothing")).toEqual([]);
});

test("of a large group only the best are shown", () => {
  const many = Array.from({ length: 100 }, (_, i) => found("Tokens", `blue.${i}`));
  expect(ranked(indexed(many), "blue")[0]?.hits).toHaveLength(8);
});

test("children stand under their parents, and two of one name tell their slugs", () => {
  const theme = (slug: string, name: string, parent?: string) =>
    ({ id: slug, slug, name, parent: parent ?? null }) as ThemeSummary;
  const themes = [
    theme("night", "Night", "brindle"),
    theme("tern", "Tern"),
    theme("brindle", "Brindle"),
    theme("tern-2", "Tern"),
    theme("deep", "Deep", "night"),
  ];
  expect(listed(themes).map((l) => [l.theme.slug, l.depth, l.slug])).toEqual([
    ["tern", 0, "tern"],
    ["brindle", 0, undefined],
    ["night", 1, undefined],
    ["deep", 2, undefined],
    ["tern-2", 0, "tern-2"],
  ]);
});

test("every stage has an address, a key and a sentence of its own", () => {
  const distinct = (values: string[]) => expect(new Set(values).size).toBe(STAGES.length);
  distinct(STAGES.map((s) => s.id));
  distinct(STAGES.map((s) => s.hotkey));
  distinct(STAGES.map((s) => s.help));
  expect(Object.keys(KEYS)).toEqual(STAGES.map((s) => s.id));
  for (const stage of STAGES) {
    expect(stage.id).toMatch(/^[a-z]+$/);
    expect(stage.help).toMatch(/^[A-Z].+\.$/);
  }
});
