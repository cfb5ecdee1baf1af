import { describe, expect, test } from "vitest";
import { familyOf, ours, type Used } from "./inventory";
import { isPicture, nameOf } from "./picture";

const rules = { endings: ["css", "ts"], passed_over: ["node_modules", "dist"], bytes: 1000 };
const file = (path: string) => {
  const made = new File(["x"], path.split("/").at(-1) ?? path);
  Object.defineProperty(made, "webkitRelativePath", { value: path });
  return made;
};

describe("the files of a project", () => {
  test("are those of known kinds outside of what others made", () => {
    const paths = [
      "p/a.css",
      "p/B.TS",
      "p/node_modules/x/y.css",
      "p/dist/z.css",
      "p/notes.txt",
      "p/dist.css",
    ];
    const { taken, passed } = ours(paths.map(file), rules);
    expect(taken.map((f) => f.name)).toEqual(["a.css", "B.TS", "dist.css"]);
    expect(passed).toBe(3);
  });

  test("have families that begin with what is used most", () => {
    const used = (hex: string, count: number, near: string[]) => ({ hex, count, near }) as Used;
    const colors = [used("#111111", 9, ["#121212"]), used("#ff0000", 5, []), used("#121212", 2, ["#111111"])];
    const family = familyOf(colors[2] as Used, colors);
    expect(family.map((one) => one.hex)).toEqual(["#111111", "#121212"]);
  });
});

describe("a picture", () => {
  test("is known by its kind or its ending, and gives a theme its name", () => {
    expect(isPicture(new File([], "crest.SVG"))).toBe(true);
    expect(isPicture(new File([], "pasted", { type: "image/png" }))).toBe(true);
    expect(isPicture(new File([], "site.css"))).toBe(false);
    expect(["port-crest.svg", "IMG_0012.jpeg", ".png"].map(nameOf)).toEqual([
      "Port crest",
      "IMG 0012",
      "Picture",
    ]);
  });
});
