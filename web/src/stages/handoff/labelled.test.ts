import { expect, test } from "vitest";
import { labelled } from "./labelled";

test("choices in a row are all told, each as it was left", () => {
  const said = (...choices: string[]) => choices.reduce(labelled, "primary: Petrol");
  expect(said("css, mode class")).toBe("handoff: css, mode class");
  expect(said("css, mode class", "with css", "css, mode auto")).toBe("handoff: with css; css, mode auto");
  expect(said("with css", "sass, prefix none", "without css")).toBe(
    "handoff: sass, prefix none; without css",
  );
  // Too many are told by the last.
  const many = Array.from({ length: 30 }, (_, i) => `target-${i}, mode class`);
  expect(said(...many).length).toBeLessThanOrEqual(160);
  expect(said(...many)).toMatch(/target-29, mode class$/);
});
