import { createServer } from "node:net";

/** A port of the loopback nobody listens on now. */
export function freePort(): Promise<number> {
  return new Promise((done, failed) => {
    const probe = createServer();
    probe.once("error", failed);
    probe.listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() =>
        address && typeof address === "object" ? done(address.port) : failed(new Error("no port")),
      );
    });
  });
}
