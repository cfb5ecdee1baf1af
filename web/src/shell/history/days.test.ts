import { expect, test } from "vitest";
import { byDay } from "./days";

const at = (year: number, month: number, day: number, hour = 12) => ({
  createdAt: new Date(year, month - 1, day, hour).toISOString(),
});

test("entries stand under their day in their order", () => {
  const now = new Date(2026, 2, 1, 9);
  const days = byDay([at(2026, 3, 1, 8), at(2026, 3, 1, 0), at(2026, 2, 28, 23), at(2026, 2, 26)], now);
  expect(days.map((d) => d.entries.length)).toEqual([2, 1, 1]);
  expect(days.slice(0, 2).map((d) => d.day)).toEqual(["Today", "Yesterday"]);
  expect(days[2]?.day).toContain("2026");
});
