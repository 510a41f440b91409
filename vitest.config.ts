import { defineConfig } from "vitest/config";

/** Tests that replace modules, clocks or the environment: each gets a process of its own. */
const ALONE = "{core,data,formats,bench,app}/**/*.alone.test.{ts,tsx}";

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: "unit",
          include: ["{core,data,formats,bench,app}/**/*.test.{ts,tsx}"],
          exclude: [ALONE],
          // Loading every module anew for each file took half of the time.
          isolate: false,
          // One fewer than there are cores is the usual number: on two, one of them would look on.
          maxWorkers: 2,
          // A property is tried a hundred times over, perhaps beside a build: a clock says nothing of it.
          testTimeout: 30_000,
        },
      },
      { test: { name: "unit alone", include: [ALONE], maxWorkers: 2 } },
      {
        test: {
          name: "browser",
          include: ["e2e/**/*.test.ts"],
          globalSetup: "e2e/planted.ts",
          // A person's wait for a page leaves the cores idle half of the time: three keep two of them busy.
          maxWorkers: 3,
          testTimeout: 180_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
