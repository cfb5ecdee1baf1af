import { describe, expect, test } from "vitest";
import { LatestOnly } from "./latestOnly";

describe("the latest only", () => {
  test("runs one at a time, and always the newest next", async () => {
    const ran: number[] = [];
    const done: number[] = [];
    const waiting: (() => void)[] = [];
    const requests = new LatestOnly<number, number>(
      (n) => {
        ran.push(n);
        return new Promise((go) => waiting.push(() => go(n * 10)));
      },
      (_, out) => done.push(out),
      () => undefined,
    );
    for (const n of [1, 2, 3, 4]) requests.push(n);
    expect(ran).toEqual([1]);
    waiting.shift()?.();
    await expect.poll(() => ran).toEqual([1, 4]);
    waiting.shift()?.();
    await expect.poll(() => done).toEqual([10, 40]);
    requests.push(5);
    expect(ran).toEqual([1, 4, 5]);
  });

  test("goes on after a failure", async () => {
    const seen: string[] = [];
    const requests = new LatestOnly<string, string>(
      (word) => (word === "bad" ? Promise.reject(new Error("no")) : Promise.resolve(word)),
      (word) => seen.push(word),
      (word, error) => seen.push(`${word}: ${String(error)}`),
    );
    requests.push("bad");
    await expect.poll(() => seen).toEqual(["bad: Error: no"]);
    requests.push("good");
    await expect.poll(() => seen).toEqual(["bad: Error: no", "good"]);
  });
});
