import { afterEach, expect, test } from "vitest";
import type { ThemeDocument } from "../../api/client";
import { setScale } from "../../editor/edits";
import { along, chooseTogether, forAll, toggleTogether, toldOf } from "./together";

const theme = { format: 1, name: "Tern", brand: [] } as unknown as ThemeDocument;

afterEach(() => chooseTogether([]));

test("a scale goes alone unless it is one of the chosen", () => {
  expect(along("moss")).toEqual(["moss"]);
  toggleTogether("petrol");
  toggleTogether("buoy");
  expect(along("moss")).toEqual(["moss"]);
  expect(along("buoy")).toEqual(["petrol", "buoy"]);
  toggleTogether("petrol");
  expect(along("buoy")).toEqual(["buoy"]);
});

test("one change is made for all that are chosen, and told as that", () => {
  chooseTogether(["petrol", "buoy"]);
  const soften = forAll("buoy", (d, slug) => setScale(d, slug, { strength: 0.8 }));
  expect(soften(theme).scales).toEqual({ petrol: { strength: 0.8 }, buoy: { strength: 0.8 } });
  expect(toldOf({ slug: "buoy", name: "Buoy" })).toBe("2 scales");
  expect(toldOf({ slug: "moss", name: "Moss" })).toBe("Moss");
});
