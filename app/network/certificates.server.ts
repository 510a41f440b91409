/**
 * The certificates of a yard on the network: an authority of its own, which the phones are told to trust once, and what the server shows
 * them. The authority is held to this network by RFC 5280 4.2.1.10 (name constraints): whoever stole its key could speak for nothing
 * outside the yard.
 */
import "reflect-metadata";
import { AsnConvert } from "@peculiar/asn1-schema";
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from "@peculiar/asn1-x509";
import {
  AuthorityKeyIdentifierExtension,
  BasicConstraintsExtension,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  Extension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator,
} from "@peculiar/x509";

/** Where this machine is reached: addresses "192.168.1.20", the networks they are in "192.168.1.0/24", and its name, or null. */
export type Reached = { addresses: readonly string[]; networks: readonly string[]; name: string | null };

/** A certificate and its key, both as PEM. */
export type Pair = { certificate: string; key: string };

const DAY = 24 * 3600 * 1000;
/** A phone whose clock is behind takes it all the same. */
const BEFORE = 2 * DAY;
const AUTHORITY_LASTS = 10 * 365 * DAY;
/** Phones take none of a server that lasts longer than 398 days. */
export const SERVER_LASTS = 365 * DAY;
/** So long before its end a certificate is made anew. */
const RENEWED = 30 * DAY;

const KEYS = { name: "ECDSA", namedCurve: "P-256" } as const;
const SIGNED = { name: "ECDSA", hash: "SHA-256" } as const;

const newKeys = () => crypto.subtle.generateKey(KEYS, true, ["sign", "verify"]);
const serial = () => Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString("hex");
const lasting = (now: Date, lasts: number) => ({
  notBefore: new Date(now.getTime() - BEFORE),
  notAfter: new Date(now.getTime() - BEFORE + lasts),
});

async function pem(key: CryptoKey): Promise<string> {
  return PemConverter.encode(await crypto.subtle.exportKey("pkcs8", key), "PRIVATE KEY");
}

/** An authority that may speak for servers in these networks, and under this name, alone. */
export async function newAuthority({ networks, name }: Reached, now: Date): Promise<Pair> {
  const keys = await newKeys();
  const permitted = [
    ...networks.map((network) => new GeneralName({ iPAddress: network })),
    // Names are held as well, to one nobody has where this machine has none: a kind not listed would be free.
    new GeneralName({ dNSName: name ?? "none.invalid" }),
  ];
  const certificate = await X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: [{ CN: [`Ambrek, yard of ${name ?? networks[0] ?? "this machine"}`] }],
    ...lasting(now, AUTHORITY_LASTS),
    keys,
    signingAlgorithm: SIGNED,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new Extension(
        id_ce_nameConstraints,
        true,
        AsnConvert.serialize(
          new NameConstraints({
            permittedSubtrees: new GeneralSubtrees(permitted.map((base) => new GeneralSubtree({ base }))),
          }),
        ),
      ),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  return { certificate: certificate.toString("pem"), key: await pem(keys.privateKey) };
}

/** What the server shows: signed by the authority, for its addresses and its name. */
export async function newServer(authority: Pair, { addresses, name }: Reached, now: Date): Promise<Pair> {
  const keys = await newKeys();
  const issuer = new X509Certificate(authority.certificate);
  const signingKey = await crypto.subtle.importKey(
    "pkcs8",
    PemConverter.decodeFirst(authority.key),
    KEYS,
    false,
    ["sign"],
  );
  const certificate = await X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: [{ CN: [name ?? addresses[0] ?? "Ambrek"] }],
    issuer: issuer.subject,
    ...lasting(now, SERVER_LASTS),
    publicKey: keys.publicKey,
    signingKey,
    signingAlgorithm: SIGNED,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension([
        ...addresses.map((value) => ({ type: "ip" as const, value })),
        ...(name ? [{ type: "dns" as const, value: name }] : []),
      ]),
      await AuthorityKeyIdentifierExtension.create(issuer.publicKey),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  return { certificate: certificate.toString("pem"), key: await pem(keys.privateKey) };
}

const holds = (certificate: X509Certificate, now: Date, spare: number) =>
  certificate.notBefore <= now && now.getTime() + spare < certificate.notAfter.getTime();

const names = (all: readonly (string | null)[]) =>
  all
    .filter((each) => each !== null)
    .sort()
    .join(" ");

/** True where an authority holds for the networks and the name there are now. */
export function speaksFor({ certificate }: Pair, { networks, name }: Reached, now: Date): boolean {
  const read = new X509Certificate(certificate);
  const constraints = read.getExtension(id_ce_nameConstraints);
  if (!constraints || !holds(read, now, SERVER_LASTS)) return false;
  const { permittedSubtrees } = AsnConvert.parse(constraints.value, NameConstraints);
  const permitted = new Set((permittedSubtrees ?? []).map(({ base }) => base.iPAddress ?? base.dNSName));
  return [...networks, ...(name ? [name] : [])].every((each) => permitted.has(each));
}

/** True where a server's certificate is by this authority, for just these addresses, and not near its end. */
export async function isShownBy(
  { certificate }: Pair,
  authority: Pair,
  { addresses, name }: Reached,
  now: Date,
) {
  const read = new X509Certificate(certificate);
  const { publicKey } = new X509Certificate(authority.certificate);
  const told =
    read.getExtension(SubjectAlternativeNameExtension)?.names.items.map(({ value }) => value) ?? [];
  return (
    holds(read, now, RENEWED) &&
    names(told) === names([...addresses, name]) &&
    (await read.verify({ publicKey, date: now }))
  );
}

/** How one authority is told from another on a phone and here: SHA-256 in pairs, "3F:A0:…". */
export async function fingerprintOf({ certificate }: Pick<Pair, "certificate">): Promise<string> {
  const read = new X509Certificate(certificate);
  return Buffer.from(await read.getThumbprint("SHA-256"))
    .toString("hex")
    .toUpperCase()
    .replace(/..(?=.)/g, "$&:");
}
