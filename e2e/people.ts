/** How people come into a yard on the network, in tests. */
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import type { Page } from "puppeteer-core";
import { appears, fill, press, visit } from "./acts.ts";
import type { Yard } from "./server.ts";

/** What makes a server one on the network, reached by the machine's own address. */
export const ON_NETWORK = { AMBREK_LAN: "yes", AMBREK_ADDRESS: "127.0.0.1" };

/** "/join#…": what `npm run invite` shows whoever runs the server. */
export function ownersLink({ folder, address }: Yard, owner?: string): string {
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ["scripts/invite.mjs", "--db", join(folder, "yard.db"), ...(owner ? ["--owner", owner] : [])],
    { env: { ...process.env, AMBREK_ADDRESS: "127.0.0.1", PORT: new URL(address).port }, encoding: "utf8" },
  );
  const link = /\/join#[\w-]{43}/.exec(stdout)?.[0];
  if (!link) throw new Error(stderr);
  return link;
}

/** The same for one of several yards. */
export function ownersLinkOf(root: string, folder: string): string {
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ["scripts/invite.mjs", "--yards", root, "--yard", folder],
    { env: { ...process.env, AMBREK_ADDRESS: "127.0.0.1" }, encoding: "utf8" },
  );
  const link = /127\.0\.0\.1:\d+(\/join#[\w-]{43})/.exec(stdout)?.[1];
  if (!link) throw new Error(stderr);
  return link;
}

/** Opens an invitation and takes it up; `name` is asked for only where the invitation has none. */
export async function comeIn(page: Page, address: string, link: string, name?: string): Promise<void> {
  await visit(page, address + link);
  await appears(page, "text/Good once");
  if (name) await fill(page, "name", name);
  await press(page, "Come in");
  await page.waitForFunction(() => window.location.pathname === "/");
}

/** The same without a browser; returns what the device shows from then on. */
export async function cookieFrom(
  { address }: Pick<Yard, "address">,
  link: string,
  name = "",
): Promise<string> {
  const answer = await fetch(`${address}/join`, {
    method: "POST",
    redirect: "manual",
    headers: { origin: address, "content-type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams({ intent: "join", token: link.split("#")[1]!, name, device: "Script" }),
  });
  return answer.headers
    .getSetCookie()
    .map((each) => each.split(";")[0])
    .join("; ");
}
