import { basename } from "node:path";
import { defineConfig } from "vitest/config";
import { BaseSequencer, type TestSpecification } from "vitest/node";

/** Tests that replace modules, clocks or the environment: each gets a process of its own. */
const ALONE = "{core,data,formats,bench,app}/**/*.alone.test.{ts,tsx}";

/** Fixes by which seed properties are tried. */
const SEED = ["./vitest.setup.ts"];

/** Browser tests that last longest, the longest first: begun last, one of them would run alone while the other workers look on. */
const LONGEST = [
  "screens",
  "cure",
  "strips",
  "proof-screens",
  "attack",
  "soak",
  "morning",
  "proof",
  "jobs",
  "plan",
  "sequences",
  "first-hour",
];

const place = ({ moduleId }: TestSpecification) => {
  const at = LONGEST.indexOf(basename(moduleId, ".test.ts"));
  return at < 0 ? LONGEST.length : at;
};

class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    return (await super.sort(files)).sort((a, b) => place(a) - place(b));
  }
}

export default defineConfig({
  test: {
    sequence: { sequencer: LongestFirst },
    projects: [
      {
        test: {
          name: "unit",
          include: ["{core,data,formats,bench,app}/**/*.test.{ts,tsx}"],
          exclude: [ALONE],
          setupFiles: SEED,
          // Loading every module anew for each file took half of the time.
          isolate: false,
          // One fewer than there are cores is the usual number: on two, one of them would look on.
          maxWorkers: 2,
          // A property is tried a hundred times over, perhaps beside a build: a clock says nothing of it.
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
      {
        test: {
          name: "unit alone",
          include: [ALONE],
          setupFiles: SEED,
          maxWorkers: 2,
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
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
