import { spawn } from "node:child_process";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { bin, ensureInstalled, must, ROOT } from "./bootstrap.mjs";

/** Serves the built application on the loopback address. */
export function serve(env = {}) {
  const port = process.env.PORT || "4180";
  const server = spawn(bin("react-router-serve"), ["build/server/index.js"], {
    cwd: ROOT,
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...process.env, NODE_ENV: "production", HOST: "127.0.0.1", PORT: port, ...env },
  });
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
  server.on("exit", (code) => process.exit(code ?? 0));
  announce(port);
}

async function announce(port) {
  const address = `http://127.0.0.1:${port}/`;
  for (let attempt = 0; attempt < 100; attempt += 1) {
    if (
      await fetch(address).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      return console.log(`\nAmbrek is at ${address}  (Ctrl-C stops it)\n`);
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  console.error(`Ambrek did not answer at ${address}.`);
}

if (process.argv[1] === new URL(import.meta.url).pathname) {
  ensureInstalled();
  if (!existsSync(join(ROOT, "build", "server", "index.js"))) must(bin("react-router"), ["build"]);
  serve();
}
