// The page that `rhodon check --format html` writes, read as its reader would: from a file, offline.
import { spawnSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { pathToFileURL } from "node:url";
import AxeBuilder from "@axe-core/playwright";
import { expect, savedSpec, test } from "./rhodon";

test("the report of a check is one readable page that needs nothing else", async ({
  page,
  slug,
  request,
}, info) => {
  const roles = {
    "text.muted": { light: "#9aa5ad" },
    "primary.fill-hover": { light: "{petrol.600}" },
  };
  const accepted = [
    {
      id: "contrast",
      tokens: ["text.muted", "surface.base"],
      mode: "light",
      reason: "only <b>large</b> & rare",
      measure: 1,
    },
  ];
  const document = info.outputPath("theme.json");
  writeFileSync(document, JSON.stringify({ ...(await savedSpec(request, slug)), roles, accepted }));
  const binary = process.env.RHODON_BINARY ?? "";
  const { stdout, status } = spawnSync(binary, ["check", document, "--format", "html"], { encoding: "utf8" });
  expect(status).toBe(1);
  const file = info.outputPath("report.html");
  writeFileSync(file, stdout);

  const asked: string[] = [];
  page.on("request", (asking) => asked.push(asking.url()));
  await page.goto(pathToFileURL(file).href);
  expect(asked).toHaveLength(1);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^Test the report/);
  await expect(page.getByRole("heading", { name: "errors" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "accepted" })).toBeVisible();
  // A reason is text, whatever it holds.
  await expect(page.getByText("only <b>large</b> & rare")).toBeVisible();
  // The pair at fault is shown as it is.
  const sample = page.getByRole("listitem").filter({ hasText: "Muted text on" }).first().locator(".seen");
  await expect(sample).toHaveCSS("background-image", /rgb\(154, 165, 173\)/);
  const { violations } = await new AxeBuilder({ page })
    // What fails its contrast is what the report shows.
    .exclude(".seen")
    .analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(" ")}`)).toEqual([]);
});
