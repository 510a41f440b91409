import { networkInterfaces } from "node:os";
import { toString as qrSvg } from "qrcode";
import { isOnNetwork } from "./passphrase.server.ts";

/** Where a phone reaches this server, with a QR code to point the camera at; empty while it listens on loopback only. */
export async function phoneAddresses(): Promise<{ address: string; qr: string }[]> {
  if (!isOnNetwork()) return [];
  const port = process.env.PORT || "4180";
  const addresses = Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ family, internal }) => family === "IPv4" && !internal)
    .map(({ address }) => `http://${address}:${port}/`);
  return Promise.all(
    addresses.map(async (address) => ({ address, qr: await qrSvg(address, { type: "svg", margin: 2 }) })),
  );
}
