/** The encrypted line of a server on the network: its certificates now, and again where the network changed or they come to their end. */
import { certificatesFor, type Kept } from "./kept-certificates.server.ts";
import { reachedBy } from "./reached.server.ts";
import { plainAnswer } from "./trust-page.server.ts";

const LOOK_EVERY = 60_000;

let shown: Kept | null = null;

/** Opens the line, and hands over each pair there is to show from then on, with words for whoever started the server. */
export async function openLine(
  show: (pair: { cert: string; key: string }, said: string) => void,
): Promise<void> {
  const look = async () => {
    const now = await certificatesFor(reachedBy(), new Date());
    if (now.server.certificate === shown?.server.certificate) return;
    shown = now;
    show({ cert: now.server.certificate, key: now.server.key }, wordsOf(now));
  };
  await look();
  setInterval(() => look().catch((error) => console.error(error)), LOOK_EVERY).unref();
}

/** Makes them in a folder where there are none, before several processes could at once. */
export const makeCertificates = (folder: string): Promise<unknown> =>
  certificatesFor(reachedBy(), new Date(), folder);

/** The answer to one who comes from the network without encryption. */
export const plainly = (path: string, host: string): Response => plainAnswer(path, host, shown!);

function wordsOf({ anew, fingerprint }: Kept): string {
  const again = anew
    ? "This machine is in another network than before: phones have to trust it once more.\n"
    : "";
  return `${again}Fingerprint of the yard's certificate: ${fingerprint}`;
}
