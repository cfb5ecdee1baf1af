import { describe, expect, test, vi } from "vitest";
import { Moves } from "./moves";

/** Moves whose answers come when they are let. */
function slow() {
  const waiting: { place: number; go: () => void; fail: () => void }[] = [];
  const told: string[] = [];
  const moves = new Moves<number, number>(
    (place) =>
      new Promise((resolve, reject) =>
        waiting.push({ place, go: () => resolve(place * 10), fail: () => reject(new Error("away")) }),
      ),
    (answer) => told.push(`shown ${answer}`),
    (answer) => told.push(`over ${answer}`),
  );
  return { moves, told, next: () => waiting.shift() };
}

describe("a movement", () => {
  test("is over with the answer to its last place, however late that comes", async () => {
    const { moves, told, next } = slow();
    moves.move(1);
    moves.move(2);
    moves.end();
    next()?.go();
    await expect.poll(() => told).toEqual(["shown 10"]);
    next()?.go();
    await expect.poll(() => told).toEqual(["shown 10", "shown 20", "over 20"]);
    expect(moves.at).toBeUndefined();
  });

  test("is over at once where its last place is answered, and only once", async () => {
    const { moves, told, next } = slow();
    moves.move(3);
    next()?.go();
    await expect.poll(() => told).toEqual(["shown 30"]);
    moves.end();
    moves.end();
    expect(told).toEqual(["shown 30", "over 30"]);
  });

  test("ends with the place before where the last has no answer", async () => {
    const { moves, told, next } = slow();
    moves.move(1);
    next()?.go();
    await expect.poll(() => told).toEqual(["shown 10"]);
    moves.move(2);
    moves.end();
    next()?.fail();
    await expect.poll(() => told).toEqual(["shown 10", "over 10"]);
  });

  test("that never began, or was answered nowhere, changes nothing", async () => {
    const { moves, told, next } = slow();
    moves.end();
    moves.move(1);
    moves.end();
    next()?.fail();
    await expect.poll(() => moves.at).toBeUndefined();
    expect(told).toEqual([]);
  });

  test("by keys is over after a pause, many keys as one", async () => {
    vi.useFakeTimers();
    const { moves, told, next } = slow();
    moves.step(1);
    next()?.go();
    await vi.advanceTimersByTimeAsync(400);
    moves.step(2);
    next()?.go();
    await vi.advanceTimersByTimeAsync(500);
    expect(told).toEqual(["shown 10", "shown 20"]);
    await vi.advanceTimersByTimeAsync(200);
    expect(told).toEqual(["shown 10", "shown 20", "over 20"]);
    vi.useRealTimers();
  });

  test("of one thing is over where it was seen once another is taken hold of; a pause of before ends nothing", async () => {
    vi.useFakeTimers();
    const { moves, told, next } = slow();
    moves.step(1);
    next()?.go();
    await vi.advanceTimersByTimeAsync(10);
    moves.step(2);
    moves.begin();
    moves.move(5);
    next()?.go();
    await vi.advanceTimersByTimeAsync(10);
    next()?.go();
    await vi.advanceTimersByTimeAsync(2000);
    expect(told).toEqual(["shown 10", "over 10", "shown 50"]);
    moves.end();
    expect(told.at(-1)).toBe("over 50");
    vi.useRealTimers();
  });
});
