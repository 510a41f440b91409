import { toString as qrSvg, toDataURL } from "qrcode";
import { addressesHere } from "../../network/addresses.server.ts";

/** The address of a rig's page: on the network where the server is on one, else as it was asked for. */
export function networkAddress(request: Request, rigId: number): string {
  return `${addressesHere()[0] ?? `${new URL(request.url).origin}/`}rigs/${rigId}`;
}

/** The address as a code for a phone's camera: for a page, and for a PDF. */
export const qrOf = (address: string): Promise<string> => qrSvg(address, { type: "svg", margin: 0 });
export const qrPng = (address: string): Promise<string> => toDataURL(address, { margin: 0, scale: 6 });
