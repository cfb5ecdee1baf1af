import { expect, test } from "vitest";
import { movedGroups } from "./moved";

const change = (path: string, difference?: number, mode: "light" | "dark" | null = null) => ({
  path,
  mode,
  before: "#111111",
  after: "#222222",
  difference,
});

test("what differs most comes first, group by group and in each", () => {
  const changes = [
    change("petrol.600", 2),
    change("petrol.700", 9),
    change("moss.500", 4),
    change("shape.border.width"),
    change("primary.fill", 12, "dark"),
  ];
  const told = movedGroups({ changes }).map(({ name, moved }) => [name, moved.map((m) => m.path)]);
  expect(told).toEqual([
    ["primary", ["primary.fill"]],
    ["petrol", ["petrol.700", "petrol.600"]],
    ["moss", ["moss.500"]],
    ["shape", ["shape.border.width"]],
  ]);
});

test("what moves at more contrast alone says so", () => {
  const found = movedGroups({ changes: [], more: [change("text.muted", 3, "light")] });
  expect(found[0]?.moved[0]).toMatchObject({ path: "text.muted", level: "more" });
});
