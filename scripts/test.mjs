// Type check, lint, build, unit tests, browser tests; ends with one line that counts them.
import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { bin, installMeanwhile, must, ROOT, run } from "./bootstrap.mjs";

const CHROMIUM = process.env.CHROMIUM || "/usr/bin/chromium-headless-shell";

function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  console.log("Installing Chromium …");
  must("apt-get", ["update", "-qq"]);
  must("apt-get", ["install", "-y", "-qq", "--no-install-recommends", "chromium-headless-shell"]);
}

const count = { passed: 0, failed: 0 };

function step(name, command, args) {
  console.log(`\n── ${name}`);
  const ok = run(command, args) === 0;
  count[ok ? "passed" : "failed"] += 1;
  return ok;
}

/** Checks that do not need one another, at once; each says what it found when it is done. */
function atOnce(checks) {
  return Promise.all(
    checks.map(
      ([name, command, args]) =>
        new Promise((done) => {
          const child = spawn(command, args, { cwd: ROOT, stdio: ["ignore", "pipe", "pipe"] });
          let said = "";
          for (const stream of [child.stdout, child.stderr])
            stream.on("data", (piece) => {
              said += piece;
            });
          child.once("error", (error) => {
            said += error.message;
          });
          child.once("close", (status) => {
            console.log(`\n── ${name}\n${said}`);
            count[status === 0 ? "passed" : "failed"] += 1;
            done();
          });
        }),
    ),
  );
}

function vitest(project, name = project, folders = []) {
  console.log(`\n── ${name} tests`);
  const report = join(ROOT, "var", `${name.replaceAll(" ", "-")}.json`);
  rmSync(report, { force: true });
  const status = run(
    bin("vitest"),
    [
      "run",
      ...folders,
      "--project",
      project,
      "--reporter=default",
      "--reporter=json",
      `--outputFile.json=${report}`,
    ],
    {
      env: { CHROMIUM },
    },
  );
  if (!existsSync(report)) {
    count.failed += 1;
    return;
  }
  const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(report, "utf8"));
  count.passed += numPassedTests;
  // A suite that breaks outside its tests fails the run without counting a test.
  count.failed += numFailedTests || (status === 0 ? 0 : 1);
}

const installed = installMeanwhile();
ensureChromium();
mkdirSync(join(ROOT, "var"), { recursive: true });
step("route types", bin("react-router"), ["typegen"]);
await atOnce([
  ["type check", process.execPath, ["scripts/types.mjs"]],
  ["lint", bin("biome"), ["check", "--error-on-warnings", "."]],
  [
    "arrows between rooms",
    bin("depcruise"),
    ["core", "data", "formats", "bench", "trials", "app", "e2e", "--output-type", "err"],
  ],
  [
    "rooms of core in one direction",
    bin("depcruise"),
    ["core", "--config", ".dependency-cruiser.rooms.cjs", "--output-type", "err"],
  ],
  ["nothing unused", bin("knip"), []],
]);
const built = step("build", bin("react-router"), ["build", "--logLevel", "warn"]);
const workers = step("build workers", process.execPath, ["scripts/build-workers.mjs"]);
// What is arithmetic alone needs no database: it is tried while that is still compiled.
vitest("unit*", "core", ["core/", "formats/"]);
await installed();
vitest("unit*", "unit", ["data/", "app/", "bench/"]);
const compiled = built && step("compile", process.execPath, ["scripts/build-compiled.mjs"]);
if (compiled && workers) vitest("browser");

console.log(`\n${count.passed} passed, ${count.failed} failed`);
process.exit(count.failed === 0 ? 0 : 1);
