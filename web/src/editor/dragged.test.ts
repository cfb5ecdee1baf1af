import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import type { ThemeDocument } from "../api/client";
import { Dragged } from "./dragged";
import { setScale } from "./edits";

const BASE: ThemeDocument = { format: 1, name: "Tern", brand: [] };
const at = (turn: number) => setScale(BASE, "petrol", { turn });
const turnOf = (document: ThemeDocument) => document.scales?.petrol?.turn ?? 0;

/** A movement that was begun, and what was asked for it. */
function begun(run = async (document: ThemeDocument) => turnOf(document)) {
  const asked: number[] = [];
  const dragged = new Dragged<number>((document) => {
    asked.push(turnOf(document));
    return run(document);
  });
  dragged.on(BASE);
  return { dragged, asked };
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe("a movement", () => {
  test("remembers where it has been until it is over", () => {
    const { dragged } = begun();
    dragged.keep(at(1), 1);
    expect(dragged.find(at(1))).toBe(1);
    expect(dragged.find(at(2))).toBeUndefined();
    dragged.on({ ...BASE, name: "Heron" });
    expect(dragged.find(at(1))).toBeUndefined();
    dragged.end();
    dragged.keep(at(1), 1);
    expect(dragged.find(at(1))).toBeUndefined();
  });

  test("knows a document without a part of its own from one with it", () => {
    const { dragged } = begun();
    const { brand: _, ...without } = BASE;
    dragged.keep(BASE, 1);
    expect(dragged.find(without)).toBeUndefined();
  });

  test("takes nothing that was asked for in the one before", async () => {
    const { dragged } = begun((document) => new Promise((go) => setTimeout(go, 50, turnOf(document))));
    dragged.foresee([at(1)]);
    dragged.drawn();
    await vi.advanceTimersByTimeAsync(30);
    dragged.end();
    dragged.on(BASE);
    await vi.runAllTimersAsync();
    expect(dragged.find(at(1))).toBeUndefined();
  });

  test("forgets what lies furthest back", () => {
    const { dragged } = begun();
    for (let turn = 0; turn < 40; turn++) dragged.keep(at(turn), turn);
    expect([7, 8, 39].map((turn) => dragged.find(at(turn)))).toEqual([undefined, 8, 39]);
  });

  test("asks where it goes on, once it rests, and only what it does not know", async () => {
    const { dragged, asked } = begun();
    dragged.keep(at(2), 2);
    dragged.foresee([at(1), at(2), at(3)]);
    await vi.advanceTimersByTimeAsync(100);
    expect(asked).toEqual([]);
    dragged.drawn();
    await vi.advanceTimersByTimeAsync(5);
    expect(asked).toEqual([]);
    await vi.advanceTimersByTimeAsync(5);
    expect(asked).toEqual([1, 3]);
    expect([1, 3].map((turn) => dragged.find(at(turn)))).toEqual([1, 3]);
  });

  test("asks nothing of what it left", async () => {
    const { dragged, asked } = begun((document) => new Promise((go) => setTimeout(go, 50, turnOf(document))));
    dragged.foresee([at(1), at(2)]);
    dragged.drawn();
    await vi.advanceTimersByTimeAsync(30);
    dragged.foresee([at(5)]);
    dragged.drawn();
    await vi.runAllTimersAsync();
    expect(asked).toEqual([1, 5]);
    dragged.foresee([at(6), at(7)]);
    dragged.drawn();
    await vi.advanceTimersByTimeAsync(30);
    dragged.end();
    await vi.runAllTimersAsync();
    expect(asked).toEqual([1, 5, 6]);
    expect(dragged.find(at(6))).toBeUndefined();
  });

  test("leaves what nobody answered to be asked for again", async () => {
    const { dragged, asked } = begun(() => Promise.reject(new Error("away")));
    dragged.foresee([at(1), at(2)]);
    dragged.drawn();
    await vi.runAllTimersAsync();
    expect(asked).toEqual([1]);
    expect(dragged.find(at(1))).toBeUndefined();
  });
});
