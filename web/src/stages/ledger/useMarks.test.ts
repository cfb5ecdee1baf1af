import { expect, test } from "vitest";
import { token } from "../../testing/token";
import type { Row } from "./rows";
import { marking } from "./useMarks";

const rows = ["a.1", "a.2", "a.3", "b.1"].map(
  (path): Row => ({ token: token(path, "roles"), ratio: {}, usedBy: [], sources: {} }),
);
const told = (marked: ReadonlySet<string>) => [...marked].join(" ");

test("a mark comes and goes", () => {
  const one = marking(new Set(), rows, "a.2");
  expect(told(one)).toBe("a.2");
  expect(told(marking(one, rows, "a.2"))).toBe("");
});

test("a range goes from the last mark to this one, either way, and what is not shown is not in it", () => {
  expect(told(marking(new Set(["a.1"]), rows, "a.3", "a.1"))).toBe("a.1 a.2 a.3");
  expect(told(marking(new Set(["b.1"]), rows, "a.3", "b.1"))).toBe("b.1 a.3");
  expect(told(marking(new Set(["gone"]), rows, "a.3", "gone"))).toBe("gone a.3");
});
