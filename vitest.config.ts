import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    projects: [
      { test: { name: "unit", include: ["{core,data,formats,bench,app}/**/*.test.{ts,tsx}"] } },
      {
        test: {
          name: "browser",
          include: ["e2e/**/*.test.ts"],
          // Two servers and two browsers are what two cores carry.
          maxWorkers: 2,
          testTimeout: 180_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
