import { expect, test } from "vitest";
import { played } from "./played";

const intent = (name: string, scale: string) => ({ name, scale, origin: "set" as const, reason: "" });
const usual = ["primary", "secondary", "danger"];

test("a scale tells what it plays, also where it is called so, but not a name of its own", () => {
  const intents = [intent("primary", "primary"), intent("secondary", "slate"), intent("heather", "heather")];
  expect(played(intents, usual, "primary")).toEqual(["primary"]);
  expect(played(intents, usual, "slate")).toEqual(["secondary"]);
  expect(played(intents, usual, "heather")).toEqual([]);
  expect(played([...intents, intent("danger", "heather")], usual, "heather")).toEqual(["danger"]);
  expect(played(intents, [], "primary")).toEqual([]);
});
