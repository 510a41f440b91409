import { toString as qrSvg, toDataURL } from "qrcode";
import { phoneAddresses } from "../../session/addresses.server.ts";

/** The address of a rig's page: on the network where the server is on one, else as it was asked for. */
export async function networkAddress(request: Request, rigId: number): Promise<string> {
  const [onNetwork] = await phoneAddresses();
  const base = onNetwork?.address ?? `${new URL(request.url).origin}/`;
  return `${base}rigs/${rigId}`;
}

/** The address as a code for a phone's camera: for a page, and for a PDF. */
export const qrOf = (address: string): Promise<string> => qrSvg(address, { type: "svg", margin: 0 });
export const qrPng = (address: string): Promise<string> => toDataURL(address, { margin: 0, scale: 6 });
