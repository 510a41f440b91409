import { toString as qrSvg } from "qrcode";
import { isOnNetwork } from "../session/who.server.ts";
import { fingerprintShown } from "./kept-certificates.server.ts";
import { reachedBy } from "./reached.server.ts";

export type Phone = {
  /** where a phone comes to without having to know anything: it is sent on once it trusts this yard */
  places: { address: string; qr: string }[];
  /** of the yard's certificate; null where the line is not encrypted */
  fingerprint: string | null;
};

/** The addresses of this server in its network: "https://192.168.1.20:4180/"; none while it listens on loopback only. */
export function addressesHere(): string[] {
  if (!isOnNetwork()) return [];
  const [scheme, port] = [process.env.AMBREK_LAN === "yes" ? "https" : "http", process.env.PORT || "4180"];
  return reachedBy().addresses.map((address) => `${scheme}://${address}:${port}/`);
}

/** A QR code, as SVG, that leads there without encryption first: there stands how to trust this yard, and who does already is sent on. */
export const qrOf = (address: string): Promise<string> =>
  qrSvg(address.replace("https:", "http:"), { type: "svg", margin: 2 });

/** How a phone reaches this server, with a QR code to point the camera at. */
export async function phoneHere(): Promise<Phone> {
  return {
    places: await Promise.all(
      addressesHere().map(async (secure) => ({
        address: secure.replace("https:", "http:"),
        qr: await qrOf(secure),
      })),
    ),
    fingerprint: await fingerprintShown(),
  };
}
