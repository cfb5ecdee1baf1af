import { describe, expect, test } from "vitest";
import type { Finding, ThemeDocument } from "../api/client";
import { mended } from "../stages/check/mended";
import { token } from "../testing/token";
import * as edits from "./edits";

const document: ThemeDocument = {
  format: 1,
  name: "Tern",
  brand: [
    { name: "Petrol", slug: "petrol", color: "#0f5c7a" },
    { name: "Sand", slug: "sand", color: "#f3e3c3" },
  ],
  scales: { petrol: { turn: 4, lightness: { "300": 75 }, omit: ["50"] }, sand: { to: "petrol" } },
  intents: { info: { scale: "petrol" }, accent: { scale: "sand" } },
  roles: { "link.rest": { light: "{petrol.700}", dark: "#fff" }, "text.main": { light: "{sand.900}" } },
  tokens: { "ferry.wake": { value: "{ petrol.100 }" }, "ferry.hull": { light: "#111", dark: "#222" } },
};

describe("changes of a document", () => {
  test("never alter the document they are made to", () => {
    const before = structuredClone(document);
    edits.setBrand(document, { name: "Petrol", slug: "petrol" }, { color: "#111" });
    edits.setStepLightness(document, "petrol", "300", 70);
    edits.setPin(document, "petrol", "300", "#123456");
    edits.omitStep(document, "petrol", "100", true);
    edits.setToken(document, token("link.rest", "roles"), "dark", "#000");
    edits.removeToken(document, "ferry.wake");
    edits.setPacked(edits.setOption(document, "css", "mode", "class"), ["css"], false);
    expect(document).toEqual(before);
  });

  test("a lightness is kept to a tenth beside the others, and taken back", () => {
    const moved = edits.setStepLightness(document, "petrol", "400", 61.2345);
    expect(moved.scales?.petrol).toEqual({
      ...document.scales?.petrol,
      lightness: { "300": 75, "400": 61.2 },
    });
    expect(edits.setStepLightness(moved, "petrol", "300", undefined).scales?.petrol?.lightness).toEqual({
      "400": 61.2,
    });
  });

  test("a step is left out once and taken back in", () => {
    const out = edits.omitStep(edits.omitStep(document, "petrol", "100", true), "petrol", "100", true);
    expect(out.scales?.petrol?.omit).toEqual(["50", "100"]);
    expect(edits.omitStep(out, "petrol", "50", false).scales?.petrol?.omit).toEqual(["100"]);
  });

  test("a role keeps its other mode, and goes with its last", () => {
    const role = token("link.rest", "roles");
    const dark = edits.setToken(document, role, "light", undefined);
    expect(dark.roles?.["link.rest"]).toEqual({ dark: "#fff" });
    expect(edits.setToken(dark, role, "dark", undefined).roles).toEqual({
      "text.main": { light: "{sand.900}" },
    });
  });

  test("a step that is set is a pin of its scale", () => {
    const set = edits.setToken(document, token("sand.300", "scales", false), "light", "#eeddcc");
    expect(set.scales?.sand).toEqual({ to: "petrol", pins: { "300": "#eeddcc" } });
  });

  test("an own token keeps one value for both modes, or one for each", () => {
    const both = edits.setToken(document, token("ferry.wake", "own", false), "light", "#abc");
    expect(both.tokens?.["ferry.wake"]).toEqual({ value: "#abc" });
    const one = edits.setToken(both, token("ferry.wake", "own"), "dark", "#def");
    expect(one.tokens?.["ferry.wake"]).toEqual({ light: "#abc", dark: "#def" });
  });

  test("options and packing are two things", () => {
    const one = edits.setOption(document, "css", "prefix", "bsf");
    expect(edits.packed(one)).toEqual([]);
    const two = edits.setPacked(one, ["sass", "css"], true);
    expect(two.pack).toEqual(["css", "sass"]);
    const three = edits.setPacked(two, ["css"], false);
    expect([three.pack, three.handoff]).toEqual([["sass"], { css: { prefix: "bsf" } }]);
    // Documents of earlier days tick by their options.
    expect(edits.packed({ ...document, handoff: { css: {} } })).toEqual(["css"]);
  });

  test("one mode of an inherited token leaves the other to the parent", () => {
    const child = { ...document, tokens: {} };
    const set = edits.setToken(child, token("ferry.hull", "own"), "dark", "#333");
    expect(set.tokens?.["ferry.hull"]).toEqual({ dark: "#333", light: undefined });
  });

  test("what is chosen for the handoff derives nothing", () => {
    const chosen = edits.setOption(document, "css", "mode", "class");
    expect(edits.derivesSame(document, chosen)).toBe(true);
    expect(edits.sameDocument(document, chosen)).toBe(false);
    expect(
      edits.derivesSame(
        document,
        edits.setBrand(document, { name: "Petrol", slug: "petrol" }, { color: "#111" }),
      ),
    ).toBe(false);
    expect(edits.sameDocument(document, structuredClone(document))).toBe(true);
  });
});

const finding: Finding = {
  id: "contrast",
  severity: "error",
  mode: "light",
  tokens: ["link.rest", "surface.base"],
  measure: 3.2,
  message: "link.rest on surface.base has 3.2 : 1",
  rule: "text needs 4.5 : 1",
} as Finding;

describe("findings", () => {
  const fix = {
    label: "give link.rest petrol.800",
    patch: [{ op: "replace", path: "/roles/link.rest/light", value: "{petrol.800}" }],
  } as Finding["fix"];

  test("a fix changes what its patch names and nothing else", () => {
    const after = mended(document, { ...finding, fix });
    expect(after.roles?.["link.rest"]).toEqual({ light: "{petrol.800}", dark: "#fff" });
    expect({ ...after, roles: document.roles }).toEqual(document);
    expect(document.roles?.["link.rest"]?.light).toBe("{petrol.700}");
  });

  test("a fix that no longer fits changes nothing", () => {
    const { roles: _, ...meanwhile } = document;
    expect(mended(meanwhile as ThemeDocument, { ...finding, fix })).toBe(meanwhile);
    expect(mended(document, finding)).toEqual(document);
  });

  test("an accepted finding stands with its reason and measure, until it counts again", () => {
    const stands = edits.accept(document, finding, "a logo");
    expect(stands.accepted).toEqual([
      { id: "contrast", tokens: finding.tokens, mode: "light", reason: "a logo", measure: 3.2 },
    ]);
    expect(edits.isAccepted(stands, finding)).toBe(true);
    expect(edits.isAccepted(document, finding)).toBe(false);
    expect(edits.countAgain(stands, finding).accepted).toEqual([]);
  });

  test("what is accepted in one mode counts in the other, and of both modes in neither", () => {
    const stands = edits.accept(document, { ...finding, mode: null }, "in both");
    expect(stands.accepted?.[0]).not.toHaveProperty("mode");
    expect(edits.isAccepted(stands, finding)).toBe(false);
    expect(edits.isAccepted(stands, { ...finding, mode: undefined })).toBe(true);
    const dark = edits.accept(stands, { ...finding, mode: "dark" }, "in the dark");
    expect(edits.countAgain(dark, { ...finding, mode: "dark" }).accepted).toEqual(stands.accepted);
  });
});
