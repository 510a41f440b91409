/** What somebody comes in with on a device that is not known: kept as scrypt (RFC 7914), never as it is. */
import { randomBytes, scrypt, timingSafeEqual } from "node:crypto";
import { triesOf } from "./tries.ts";

/** Some 70 ms and 32 MB a try on this kind of machine, on a thread beside. */
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 };
const LENGTH = 32;

const derived = (text: string, salt: Buffer, cost = COST): Promise<Buffer> =>
  new Promise((done, failed) =>
    scrypt(text.normalize("NFKC"), salt, LENGTH, cost, (error, key) => (error ? failed(error) : done(key))),
  );

/** "scrypt$N$r$p$salt$key" */
export async function hashed(passphrase: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derived(passphrase, salt);
  return ["scrypt", COST.N, COST.r, COST.p, salt.toString("base64"), key.toString("base64")].join("$");
}

/** Of nobody: takes as long to be wrong. */
const NOBODY = `scrypt$${COST.N}$${COST.r}$${COST.p}$${Buffer.alloc(16).toString("base64")}$${Buffer.alloc(LENGTH).toString("base64")}`;

/** Whether it is the one that was kept; of somebody without one, or nobody, it takes as long and is not. */
export async function isPassphrase(given: string, kept: string | null): Promise<boolean> {
  const [, n, r, p, salt, key] = (kept ?? NOBODY).split("$");
  const cost = { N: Number(n), r: Number(r), p: Number(p), maxmem: COST.maxmem };
  const is = timingSafeEqual(
    await derived(given, Buffer.from(salt!, "base64"), cost),
    Buffer.from(key!, "base64"),
  );
  return is && kept !== null;
}

/** So many guesses at once at one person's passphrase, and then one more each of so many ms. */
const MOST_GUESSES = 10;
const ONE_MORE_AFTER = 60_000;
/** Of everybody who guesses, by whom and from where; kept by the one thread that writes. */
export const guesses = triesOf(MOST_GUESSES, ONE_MORE_AFTER);

const SHORTEST = 12;
const LONGEST = 128;
/** Fewer different signs are one pattern. */
const FEWEST_SIGNS = 6;

/** What is wrong with a new passphrase; null of one that is good. */
export function weakness(passphrase: string, name: string): string | null {
  const text = passphrase.normalize("NFKC").toLowerCase();
  if (passphrase.length < SHORTEST)
    return `At least ${SHORTEST} letters: a few words that do not belong together.`;
  if (passphrase.length > LONGEST) return `At most ${LONGEST} letters.`;
  if (new Set(text).size < FEWEST_SIGNS) return "That is the same sign again and again.";
  if (name !== "" && text.replaceAll(name.trim().toLowerCase(), "").length < SHORTEST / 2)
    return "That is your name: somebody else knows it.";
  if (isRun(text)) return "That is a row of keys or of the alphabet: anybody would try it.";
  return null;
}

const RUNS = [
  "0123456789012345678901234567890",
  "abcdefghijklmnopqrstuvwxyz",
  "qwertyuiopasdfghjklzxcvbnm",
  "qwertzuiopasdfghjklyxcvbnm",
  "azertyuiopqsdfghjklmwxcvbn",
];
/** Pieces of a row, one after another, of at least four signs each, and little else. */
function isRun(text: string): boolean {
  let rest = text;
  for (const row of RUNS.flatMap((each) => [each, [...each].reverse().join("")]))
    for (let length = Math.min(row.length, rest.length); length >= 4; length -= 1)
      for (let at = 0; at + length <= row.length; at += 1)
        rest = rest.replaceAll(row.slice(at, at + length), "");
  return rest.replace(/password|passwort|ambrek|tractor|letmein|welcome/g, "").length < SHORTEST / 3;
}
