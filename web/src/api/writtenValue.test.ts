import { expect, test } from "vitest";
import { referring } from "./writtenValue";

test("the path of a token refers to it; no colour is taken for one", () => {
  expect(["petrol.600", "primary.fill-hover", "own.a.b"].map(referring)).toEqual([
    "{petrol.600}",
    "{primary.fill-hover}",
    "{own.a.b}",
  ]);
  const colors = [
    "#0f5c7a",
    "0f5c7a",
    "navy",
    "rgb(1 2 3 / .5)",
    "oklch(0.5 0.1 200)",
    "{petrol.600}",
    ".5",
    "a.",
  ];
  expect(colors.map(referring)).toEqual(colors);
});
