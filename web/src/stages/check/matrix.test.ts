import { describe, expect, test } from "vitest";
import { cellsOf, familiesOf, rowsOf } from "./matrix";

const matrix = {
  text: 4.5,
  inks: ["text.main", "link.rest", "primary.fill"],
  grounds: ["surface.base", "surface.raised", "danger.tint"],
  light: [12, 11, 9, 4.2, 5, 3, 2, 2.1, 1.8],
  dark: [13, 12, 8, 6, 7, 5, 4, 3.5, 3.2],
  needs: [7, 7, 0, 4.5, 4.5, 0, 0, 0, 0],
};

describe("the matrix", () => {
  test("names groups of grounds once, in their order", () => {
    expect(familiesOf(matrix.grounds)).toEqual(["surface", "danger"]);
  });

  test("finds a pair by its row and column in either mode", () => {
    expect(cellsOf(matrix, "light", 1, [1, 2])).toEqual([
      { ground: "surface.raised", ratio: 5, need: 4.5, failing: false },
      { ground: "danger.tint", ratio: 3, need: 0, failing: false },
    ]);
    expect(cellsOf(matrix, "dark", 1, [0])[0]?.ratio).toBe(6);
  });

  test("fails a pair below what it needs, and none that is not declared", () => {
    expect(cellsOf(matrix, "light", 1, [0, 1]).map((c) => c.failing)).toEqual([true, false]);
    expect(cellsOf(matrix, "light", 2, [0, 1, 2]).some((c) => c.failing)).toBe(false);
  });

  test("shows what fails first, then in its own order", () => {
    expect(rowsOf(matrix, "light", [0, 1], "", true)).toEqual([1, 0]);
    expect(rowsOf(matrix, "dark", [0, 1], "", true)).toEqual([0, 1]);
  });

  test("leaves out what is not declared there, unless all are asked for", () => {
    expect(rowsOf(matrix, "light", [2], "", true)).toEqual([]);
    expect(rowsOf(matrix, "light", [2], "", false)).toEqual([0, 1, 2]);
  });

  test("answers to a part of a name, in any case", () => {
    expect(rowsOf(matrix, "light", [0], " Link", false)).toEqual([1]);
    expect(rowsOf(matrix, "light", [0], "nothing", false)).toEqual([]);
  });
});
