import { defineConfig } from "@playwright/test";
import { CHROMIUM_ARGS } from "./chromium.mjs";

/** Started by `cargo test`, which names the server it started in RHODON_URL. */
export default defineConfig({
  testDir: "specs",
  // Each file of specs has its own folder, so that several may run at once.
  outputDir: "test-results",
  fullyParallel: true,
  workers: 2,
  forbidOnly: true,
  // On a shared machine a browser may stall; a spec that passes only at the second try is listed as flaky.
  retries: process.env.CI ? 1 : 0,
  reporter: [["list"]],
  // Stalls of several seconds are seen there too; what passes is not slower for it.
  timeout: 60_000,
  expect: { timeout: 15_000 },
  use: {
    baseURL: process.env.RHODON_URL,
    viewport: { width: 1280, height: 800 },
    // The proof follows the colour scheme of its frame, which an emulated one would mask.
    colorScheme: null,
    permissions: ["clipboard-read", "clipboard-write"],
    launchOptions: {
      executablePath: process.env.RHODON_CHROMIUM ?? "/usr/bin/chromium",
      args: CHROMIUM_ARGS,
    },
  },
});
