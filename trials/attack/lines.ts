/** What is no request at all, or one that never ends: written straight onto the line. */
import { connect } from "node:net";
import type { Chance } from "./chance.ts";

const host = "Host: 127.0.0.1\r\n";

const LINES: readonly ((chance: Chance) => string | Uint8Array)[] = [
  () => "\r\n\r\n",
  () => "GET\r\n\r\n",
  () => "GET / HTTP/9.9\r\n\r\n",
  () => `GET / HTTP/1.1\r\n\r\n`,
  () => `GET / HTTP/1.1\r\n${host}${host}\r\n`,
  () => `GET //\\..\\ HTTP/1.1\r\n${host}\r\n`,
  () => `GET http://elsewhere.example/ HTTP/1.1\r\n${host}\r\n`,
  () => `GET /%ff%fe%00 HTTP/1.1\r\n${host}\r\n`,
  () => `GET /% HTTP/1.1\r\n${host}\r\n`,
  () => `GET /assets/%2e%2e/%2e%2e/package.json HTTP/1.1\r\n${host}\r\n`,
  () => `GET /assets/..%5c..%5cpackage.json HTTP/1.1\r\n${host}\r\n`,
  () => `OPTIONS * HTTP/1.1\r\n${host}\r\n`,
  () => `CONNECT elsewhere.example:443 HTTP/1.1\r\n${host}\r\n`,
  () => `TRACE / HTTP/1.1\r\n${host}\r\n`,
  () => `GET / HTTP/1.1\r\n${host}X: ${"y".repeat(40_000)}\r\n\r\n`,
  () => `GET /${"a".repeat(15_000)} HTTP/1.1\r\n${host}\r\n`,
  () => `GET / HTTP/1.1\r\nHost: \u0000\r\n\r\n`,
  () => `GET / HTTP/1.1\r\nHost: [::1\r\n\r\n`,
  () => `GET / HTTP/1.1\r\nHost: a b\r\n\r\n`,
  () => `GET / HTTP/1.1\r\nHost: 127.0.0.1:99999\r\n\r\n`,
  () => `GET / HTTP/1.1\r\nHost:\r\n\r\n`,
  () => `GET / HTTP/1.1\r\n${host}Connection: Upgrade\r\nUpgrade: websocket\r\n\r\n`,
  () => `GET / HTTP/1.1\r\n${host}Expect: 200-maybe\r\n\r\n`,
  () => `POST / HTTP/1.1\r\n${host}Content-Length: 5\r\nContent-Length: 6\r\n\r\nabcde`,
  () => `POST / HTTP/1.1\r\n${host}Content-Length: 5\r\nTransfer-Encoding: chunked\r\n\r\n0\r\n\r\n`,
  () => `POST / HTTP/1.1\r\n${host}Transfer-Encoding: chunked\r\n\r\nzz\r\n`,
  () => `POST /limits HTTP/1.1\r\n${host}Origin: http://127.0.0.1\r\nContent-Length: 500\r\n\r\nintent=`,
  () => `POST /limits HTTP/1.1\r\n${host}Origin: http://127.0.0.1\r\nContent-Length: -1\r\n\r\n`,
  () =>
    `POST /limits HTTP/1.1\r\n${host}Origin: http://127.0.0.1\r\nContent-Length: 99999999999999999999\r\n\r\n`,
  () => `GET / HTTP/1.1\r\n${host}Cookie: ${"a=b;".repeat(3_000)}\r\n\r\n`,
  (chance) => chance.bytes(chance.below(2_000)),
  () => Uint8Array.of(0x16, 3, 1, 2, 0, 1, 0, 1, 252, 3, 3),
];

/** Writes one of them and waits for what comes, or hangs up; returns what came. */
export function sendLine(address: string, chance: Chance): Promise<{ line: string; came: string }> {
  const { hostname, port } = new URL(address);
  const line = chance.of(LINES)(chance);
  return new Promise((done) => {
    const socket = connect(Number(port), hostname, () => socket.write(line));
    let came = "";
    socket.on("data", (piece) => {
      came += piece.toString("latin1").slice(0, 400);
      socket.destroy();
    });
    socket.on("error", () => {});
    socket.on("close", () => done({ line: String(line).slice(0, 300), came }));
    setTimeout(() => socket.destroy(), 60 + chance.below(120));
  });
}
