import { hostname, type NetworkInterfaceInfo, networkInterfaces } from "node:os";
import type { Reached } from "./certificates.server.ts";

/** Networks that nobody else in the world has: RFC 1918, RFC 3927, and the machine itself. */
const OWN = [/^10\./, /^192\.168\./, /^172\.(1[6-9]|2\d|3[01])\./, /^169\.254\./, /^127\./];

const bits = (address: string) => address.split(".").reduce((all, part) => all * 256 + Number(part), 0);
const dotted = (all: number) => [24, 16, 8, 0].map((shift) => Math.floor(all / 2 ** shift) % 256).join(".");

/** The network an address is in: "192.168.1.0/24". An address of the whole world stands for itself alone. */
function networkOf(address: string, prefix: number): string {
  const kept = OWN.some((own) => own.test(address)) ? prefix : 32;
  const size = 2 ** (32 - kept);
  return `${dotted(Math.floor(bits(address) / size) * size)}/${kept}`;
}

/** What a phone in the same network finds this machine by, from its interfaces; or by the address it was told (`--address`). */
export function reachedBy(
  interfaces: NodeJS.Dict<NetworkInterfaceInfo[]> = networkInterfaces(),
  called = hostname(),
  told = process.env.AMBREK_ADDRESS ?? "",
): Reached {
  const found = Object.values(interfaces)
    .flatMap((each) => each ?? [])
    .filter(({ family, internal }) => family === "IPv4" && !internal)
    .map(({ address, cidr }) => ({ address, prefix: Number(cidr?.split("/")[1] ?? 32) }));
  const all = told === "" ? found : [{ address: told, prefix: 32 }];
  const name = called.split(".")[0]!.toLowerCase();
  return {
    addresses: all.map(({ address }) => address),
    networks: [...new Set(all.map(({ address, prefix }) => networkOf(address, prefix)))],
    // As machines answer to their own name in a network without a name server (RFC 6762).
    name: /^[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?$/.test(name) && name !== "localhost" ? `${name}.local` : null,
  };
}
