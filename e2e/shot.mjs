// Takes the pictures of the documentation: node shot.mjs ADDRESS FOLDER [NAME…]
import { mkdirSync } from "node:fs";
import { chromium } from "@playwright/test";
import { CHROMIUM_ARGS } from "./chromium.mjs";

const [address, folder, ...wanted] = process.argv.slice(2);
const theme = "/themes/brindle-sound-ferries";
const VIEWS = {
  stave: { path: `${theme}/stave` },
  "stave-dark-room": { path: `${theme}/stave?scale=lichen`, dark: true },
  brand: { path: `${theme}/brand` },
  "brand-picture": {
    path: `${theme}/brand?source=picture`,
    act: async (page) => {
      const chooser = page.waitForEvent("filechooser");
      await page.getByRole("button", { name: "Choose a picture …" }).click();
      await (await chooser).setFiles(new URL("../demo/crest.svg", import.meta.url).pathname);
      await page.getByRole("button", { name: /^Spot 5/ }).waitFor();
      await page.getByRole("img", { name: "crest.svg" }).evaluate((node) => node.scrollIntoView());
      await page.getByRole("button", { name: /^Spot 2/ }).hover();
      await page.waitForTimeout(500);
    },
  },
  "brand-files": {
    path: `${theme}/brand?source=files`,
    act: async (page) => {
      await page
        .getByLabel("Folder", { exact: true })
        .setInputFiles(new URL("../demo/old-site", import.meta.url).pathname);
      const wall = page.getByRole("list", { name: "Colours in use" });
      await wall.getByRole("button").first().click();
      await wall.evaluate((node) => node.scrollIntoView({ block: "center" }));
      await page.waitForTimeout(500);
    },
  },
  sites: {
    path: "/themes/night-crossing/handoff?side=sites",
    act: async (page) => {
      await page.getByRole("button", { name: "Publish and register" }).click();
      await page
        .getByText(/as Night Crossing|registered/)
        .first()
        .waitFor();
      await page
        .getByRole("table")
        .first()
        .evaluate((node) => node.scrollIntoView({ block: "end" }));
      await page.waitForTimeout(800);
    },
  },
  "brand-library": {
    path: `${theme}/brand?source=library`,
    act: async (page) => {
      const library = page.getByRole("region", { name: "Library" });
      await library.getByText("shared by others").click();
      await library.getByRole("combobox", { name: "Near to" }).selectOption("brand");
      await page.waitForTimeout(800);
      await library.locator("[data-strip]").nth(1).click();
      await page.waitForTimeout(600);
    },
  },
  existing: {
    path: "/themes/night-crossing/handoff?side=existing",
    act: async (page) => {
      await page.getByRole("tab", { name: "own page" }).click();
      const site = (name) => new URL(`../demo/old-site/${name}`, import.meta.url).pathname;
      await page
        .locator("#proof input[type=file]:not([webkitdirectory])")
        .setInputFiles([site("timetable.html"), site("site.css")]);
      for (const [old, next] of [
        ["#0f5c7a", "heather.600"],
        ["#e4572e", "lichen.500"],
      ]) {
        await page.getByLabel(`What ${old} becomes`).fill(next);
        await page.getByLabel(`What ${old} becomes`).press("Enter");
        await page.waitForTimeout(600);
      }
      await page.getByRole("heading", { name: /site\.css/ }).click();
      await page.waitForTimeout(600);
    },
  },
  forms: {
    path: "/themes/brindle-freight/handoff?side=forms",
    act: async (page) => {
      await page.getByLabel("Name of the file").fill("desk.json");
      const example = `{
  "Pane": { "ground": ["#eef0f2", "#22262a"], "edge": ["#b9c0c6", "#454c52"] },
  "Button": { "ground": ["#d14f21", "#a33a12"], "hover": ["#b03d14", "#84300f"], "text": ["#fff6f2", "#ffece4"] },
  "Note": { "text": ["#1c2227", "#dfe4e8"] },
  "bell": "#d1a700"
}
`;
      await page.getByLabel("Example").fill(example);
      await page.getByRole("button", { name: "Make a form of it" }).click();
      await page.getByRole("button", { name: "Let them follow" }).click();
      await page.waitForTimeout(1200);
    },
  },
  ledger: { path: `${theme}/ledger?token=primary.tint-text&page=parts` },
  "proof-booking": { path: `${theme}/stave?page=booking&scale=buoy` },
  "proof-dashboard": {
    path: `${theme}/stave?page=dashboard`,
    act: async (page) => {
      await page.getByRole("button", { name: "wide", exact: true }).click();
      await page.getByRole("button", { name: "shares" }).click();
      await page.waitForTimeout(600);
    },
  },
  check: { path: `${theme}/check?page=parts` },
  family: { path: "/family", act: (page) => page.waitForTimeout(1200) },
  "more-contrast": {
    path: `${theme}/check?page=parts&proof=light`,
    act: async (page) => {
      await page.getByRole("button", { name: "contrast", exact: true }).click();
      await page.getByLabel("Compare with").selectOption({ label: "more contrast" });
      await page.waitForTimeout(1200);
    },
  },
  eyes: {
    path: `${theme}/stave?page=dashboard`,
    act: async (page) => {
      await page.getByLabel("Eyes").selectOption("deutan");
      await page.waitForTimeout(400);
    },
  },
  finder: {
    path: `${theme}/stave`,
    act: async (page) => {
      await page.keyboard.press("Control+k");
      await page.getByRole("dialog").getByRole("textbox").fill("link");
      await page.waitForTimeout(400);
    },
  },
  "proof-parts": { path: `${theme}/stave?page=parts` },
  handoff: {
    path: `${theme}/handoff?target=sass`,
    act: async (page) => {
      for (const name of ["Sass module", "Android resources", "Design tokens"]) {
        await page.getByLabel(`${name} in the archive`).check();
        await page.waitForTimeout(300);
      }
      await page.getByRole("link", { name: /^Brand/ }).click();
      await page.getByRole("list", { name: "Brand colours" }).getByRole("button", { name: /^Buoy/ }).click();
      const code = page.getByRole("textbox", { name: "Colour", exact: true });
      await code.fill("#d9532b");
      await code.press("Enter");
      await page.getByText(/· saved/).waitFor();
      await page.getByRole("link", { name: /^Handoff/ }).click();
      await page.getByText(/lines changed/).click();
      await page.waitForTimeout(400);
    },
  },
};

mkdirSync(folder, { recursive: true });
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: CHROMIUM_ARGS });
for (const [name, view] of Object.entries(VIEWS)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme: null,
  });
  page.on("console", (m) => m.type() === "error" && console.error(`${name}: ${m.text()}`));
  page.on("pageerror", (e) => console.error(`${name}: ${e.message}`));
  if (view.dark) await page.addInitScript(() => localStorage.setItem("mantine-color-scheme-value", "dark"));
  await page.goto(address + view.path);
  await page.frameLocator("iframe").first().locator("main").waitFor();
  await page.waitForTimeout(400);
  if (view.act) await view.act(page);
  await page.screenshot({ path: `${folder}/${name}.png` });
  await page.close();
}
await browser.close();
