import { beforeEach, describe, expect, test } from "vitest";
import { told } from "./provenance";
import { alter, isSpotOf, offer, useTrays, withdraw } from "./tray";

const kelp = { name: "Kelp", color: "#2f6b3a" };
const spot = (x: number) => ({
  name: "Blue",
  color: "#0f5c7a",
  from: { kind: "picture" as const, name: "crest.svg", picture: "ab12", x, y: 0.5 },
});
const tray = (theme: string) => useTrays.getState().trays[theme] ?? [];

describe("the tray", () => {
  beforeEach(() => useTrays.setState({ trays: {} }));

  test("holds what is offered once, by colour and where it came from", () => {
    const keys = offer("a", [kelp, kelp, spot(0.2)]);
    expect(keys).toHaveLength(2);
    expect(offer("a", [spot(0.2), spot(0.8)])).toHaveLength(1);
    expect(tray("a").map((one) => one.color)).toEqual(["#2f6b3a", "#0f5c7a", "#0f5c7a"]);
    expect(new Set(tray("a").map((one) => one.key)).size).toBe(3);
  });

  test("is one for each theme, and gone once it is empty", () => {
    const keys = offer("a", [kelp]);
    offer("b", [kelp]);
    withdraw("a", keys);
    expect(Object.keys(useTrays.getState().trays)).toEqual(["b"]);
  });

  test("keeps a candidate in its place while its spot moves", () => {
    const [, key = ""] = offer("a", [kelp, spot(0.2), spot(0.9)]);
    alter("a", key, { color: "#112233", from: spot(0.4).from });
    expect(tray("a")[1]).toMatchObject({ key, name: "Blue", color: "#112233", from: { x: 0.4 } });
    expect(tray("a").filter(isSpotOf("ab12"))).toHaveLength(2);
    expect(tray("a").filter(isSpotOf("other"))).toEqual([]);
  });
});

describe("where a colour came from", () => {
  test("is told in words", () => {
    expect(told(undefined)).toBe("typed");
    expect(told(spot(0.2).from)).toBe("from crest.svg");
    expect(told({ kind: "companion", of: "Petrol", relation: "triad" })).toBe("triad companion of Petrol");
    expect(told({ kind: "file", name: "site.css", line: 12 })).toBe("from site.css, line 12");
    expect(told({ kind: "set", name: "Dusk", owner: "Maren" })).toBe("from the set Dusk by Maren");
  });
});
