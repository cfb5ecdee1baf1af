import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { asSheets, cssFamilies, FACES, type Face, faceOf, facesLike, sheetsOf } from "./faces";
import { widthOf } from "./useWidths";

test("every face that ships is loaded, and has the weights that its package tells", () => {
  const loaded = readFileSync("src/faces/load.ts", "utf8");
  for (const face of FACES) {
    if (!face.package) continue;
    expect(loaded).toContain(`"${face.package}/index.css"`);
    const told = JSON.parse(readFileSync(`node_modules/${face.package}/metadata.json`, "utf8"));
    const { min, max } = told.variable.wght;
    expect([face.name, ...face.weights]).toEqual([told.family, Number(min), Number(max)]);
    for (const script of face.scripts) expect(told.subsets).toContain(script);
    const sheet = readFileSync(`node_modules/${face.package}/index.css`, "utf8");
    expect(sheet).toContain(`font-family: '${face.families[0]}'`);
  }
});

test("faces are found by kind, weight, script and word", () => {
  const all = { kind: "", weight: 400, script: "", word: "" };
  expect(facesLike(all)).toHaveLength(FACES.length);
  expect(facesLike({ ...all, kind: "mono", script: "greek" }).map((f) => f.name)).toEqual(["JetBrains Mono"]);
  expect(facesLike({ ...all, weight: 1000 }).map((f) => f.name)).toEqual(["Nunito"]);
  expect(facesLike({ ...all, word: " slab" }).map((f) => f.name)).toEqual(["Roboto Slab"]);
});

test("a choice brings its fallbacks and its quoting", () => {
  const serif = faceOf(["Source Serif 4 Variable"]);
  expect(cssFamilies(serif?.families ?? [])).toBe('"Source Serif 4 Variable", Georgia, serif');
});

test("a face is narrow or wide by the mean letter of running text", () => {
  expect([0.41, 0.475, 0.5, 0.53, 0.6].map(widthOf)).toEqual(["narrow", "usual", "usual", "wide", "wide"]);
});

test("a theme has the style sheets of the faces that it names, and those that somebody gave", () => {
  const served = (name: string): Face => ({
    name,
    kind: "serif",
    families: [name, "serif"],
    weights: [400, 700],
    scripts: ["latin"],
    sheet: `https://faces.test/${name}`,
  });
  const faces = [...FACES, served("Anlow"), served("Vess")];
  const own = "https://own.test/a.css";
  const theme = { body: ["Anlow", "serif"], heading: ["Vess"], import: own };
  expect(sheetsOf(theme, faces)).toEqual([own, "https://faces.test/Anlow", "https://faces.test/Vess"]);
  const later = { body: ["Nunito Variable"], heading: ["Vess"], import: sheetsOf(theme, faces) };
  expect(sheetsOf(later, faces)).toEqual([own, "https://faces.test/Vess"]);
  expect([[], [own], [own, own]].map(asSheets)).toEqual([null, own, [own, own]]);
});
