import { expect, test } from "vitest";
import { elsewhere } from "./view";

test("another theme is looked at as this one was, without what was chosen in this one", () => {
  const view = { color: "petrol", scale: "petrol", token: "primary.fill", finding: "x", failing: true };
  const shared = { side: "files", target: "css", page: "booking", proof: "dark", source: "type" } as const;
  expect(elsewhere({ ...view, ...shared, against: "night" }, "tern")).toEqual({
    ...shared,
    against: "night",
  });
  // Nothing is compared with itself, nor with a revision of another.
  expect(elsewhere({ against: "tern" }, "tern").against).toBeUndefined();
  expect(elsewhere({ against: "rev-12" }, "tern").against).toBeUndefined();
});
