import { spawn } from "node:child_process";
import { existsSync } from "node:fs";
import { isIPv4 } from "node:net";
import { networkInterfaces } from "node:os";
import { join, resolve } from "node:path";
import { build, ensureInstalled, ROOT, told } from "./bootstrap.mjs";

const LOOPBACK = "127.0.0.1";

/** `--lan` binds the network, encrypted; who wants in is invited by an owner. */
export function network() {
  if (process.argv.includes("--passphrase")) {
    console.error(
      "There is no passphrase for all any more: each person is invited. With --lan the owner's link is shown here; nothing secret belongs on a command line.",
    );
    process.exit(2);
  }
  if (!process.argv.includes("--lan")) return { HOST: LOOPBACK, AMBREK_LAN: "" };
  const address = told("--address") ?? process.env.AMBREK_ADDRESS ?? "";
  if (address !== "" && !isIPv4(address)) {
    console.error(`--address is what a phone finds this machine by, such as 192.168.1.20; not “${address}”.`);
    process.exit(2);
  }
  return { HOST: "0.0.0.0", AMBREK_LAN: "yes", AMBREK_ADDRESS: address };
}

/** Where copies go: `--replica DIR-or-s3://…` a breath behind, `--backups DIR` one a day, or "off". */
function copies() {
  const [replica, backups] = [told("--replica"), told("--backups")];
  return {
    ...(replica ? { AMBREK_REPLICA: replica } : {}),
    ...(backups ? { AMBREK_BACKUPS: backups } : {}),
  };
}

/** Several yards: `--yards DIR`, a folder each in there. */
function several() {
  const yards = told("--yards");
  if (yards === undefined && !process.argv.includes("--yards")) return null;
  if (yards === undefined || yards.startsWith("--")) {
    console.error("--yards is the folder that holds the yards, a folder each.");
    process.exit(2);
  }
  return { AMBREK_YARDS: resolve(yards) };
}

/** Serves the built application: on the loopback address, or with `--lan` on the network; one yard, or several. */
export function serve(env = {}) {
  const port = process.env.PORT || "4180";
  const bound = network();
  const yards = several();
  const server = spawn(
    process.execPath,
    [join(ROOT, "scripts", "server", yards ? "yards.mjs" : "server.mjs")],
    {
      cwd: ROOT,
      stdio: ["ignore", "ignore", "inherit"],
      env: { ...process.env, NODE_ENV: "production", PORT: port, ...bound, ...copies(), ...yards, ...env },
    },
  );
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
  server.on("exit", (code) => process.exit(code ?? 0));
  announce(port, bound, yards !== null);
}

async function announce(port, bound, several) {
  const address = `http://${LOOPBACK}:${port}/`;
  for (let attempt = 0; attempt < 100; attempt += 1) {
    if (
      await fetch(address).then(
        ({ ok }) => ok,
        () => false,
      )
    ) {
      console.log(`\nAmbrek is at ${address}  (Ctrl-C stops it)\n`);
      // Of several yards each has its own address, for whom it invites.
      return bound.HOST === LOOPBACK || several ? undefined : announcePhone(port, bound);
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  console.error(`Ambrek did not answer at ${address}.`);
}

/** The address for a phone in the same network, and its QR code. */
async function announcePhone(port, bound) {
  const { default: qrcode } = await import("qrcode");
  const own = Object.values(networkInterfaces())
    .flat()
    .filter(({ family, internal }) => family === "IPv4" && !internal)
    .map(({ address }) => address);
  const addresses = (bound.AMBREK_ADDRESS ? [bound.AMBREK_ADDRESS] : own).map(
    (each) => `http://${each}:${port}/`,
  );
  if (addresses.length === 0) console.log("This machine is in no network a phone could reach it by.");
  for (const address of addresses) {
    console.log(`For the phone: ${address}  (it shows how to trust this yard, then asks for an invitation)`);
    console.log(await qrcode.toString(address, { type: "terminal", small: true }));
  }
}

if (process.argv[1] === new URL(import.meta.url).pathname) {
  ensureInstalled();
  if (!existsSync(join(ROOT, "build", "server", "index.js")) || !existsSync(join(ROOT, "build", "worker")))
    build();
  serve();
}
