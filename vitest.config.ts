import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    projects: [
      { test: { name: "unit", include: ["{core,data,formats,bench,app}/**/*.test.{ts,tsx}"] } },
      {
        test: {
          name: "browser",
          include: ["e2e/**/*.test.ts"],
          fileParallelism: false,
          testTimeout: 90_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
