import { expect, test } from "vitest";
import { type Found, indexed, pairIn, ranked } from "./finding";

const hit = (name: string, words = ""): Found => ({
  id: name,
  group: "Go to",
  name,
  words: `${name} ${words}`,
  run: () => undefined,
});

const found = (text: string, all: Found[]) =>
  ranked(indexed(all), text).flatMap(({ hits }) => hits.map((h) => h.name));

test("either spelling finds the other", () => {
  const all = [hit("Handoff: existing", "recolor replace colors"), hit("Eyes: no colour", "grey")];
  expect(found("recolour", all)).toEqual(["Handoff: existing"]);
  expect(found("no color", all)).toEqual(["Eyes: no colour"]);
  expect(found("gray", all)).toEqual(["Eyes: no colour"]);
  expect(found("project's", [hit("The project’s folder")])).toEqual(["The project’s folder"]);
});

test("every word must fit, and what begins like the first comes first", () => {
  const all = [hit("Side by side", "compare"), hit("Compare", "side"), hit("Undo")];
  expect(found("compare side", all)).toEqual(["Compare", "Side by side"]);
  expect(found("", all)).toHaveLength(3);
  // What only tells of something comes behind what is looked for by it.
  const stage = { ...hit("Handoff", "what exists, recoloured"), help: "what exists, recoloured" };
  expect(found("recolour", [stage, hit("Handoff: existing", "recolor")])).toEqual([
    "Handoff: existing",
    "Handoff",
  ]);
});

test("what answers to a word sooner comes before what tells of it in passing", () => {
  const files = hit("Brand: files", "project folder, its faces and web fonts");
  const faces = hit("Brand: type and shape", "web fonts, faces");
  expect(found("web font", [files, faces])).toEqual(["Brand: type and shape", "Brand: files"]);
  expect(found("folder", [files, faces])).toEqual(["Brand: files"]);
  expect(found("draw", [hit("Sites", "withdraw"), hit("Companions", "hue draw")])[0]).toBe("Companions");
  // Every word counts, not the first alone.
  const steps = [hit("Stave: step names", "50 100"), hit("Stave: step 0", "surface")];
  expect(found("stave step 0", steps)[0]).toBe("Stave: step 0");
});

test("two colours are told from words", () => {
  expect(pairIn("#777 on white")).toEqual(["#777", "white"]);
  expect(pairIn(" text.muted on surface.base ")).toEqual(["text.muted", "surface.base"]);
  expect(pairIn("rgb(1 2 3) on hsl(20 10% 90%)")).toEqual(["rgb(1 2 3)", "hsl(20 10% 90%)"]);
  for (const codes of ["777 fff", "#777, #fff", "#777/#fff"]) expect(pairIn(codes)).toHaveLength(2);
  for (const words of ["#777", "add cafe", "type on", "on white", "more contrast"]) {
    expect(pairIn(words)).toBeUndefined();
  }
});
