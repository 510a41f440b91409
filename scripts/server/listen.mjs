/**
 * How the server listens: in the clear on the machine itself; on the network encrypted and in the clear on one port. One of several yards
 * has no port of its own in its process: lines are handed to it.
 */
import { createServer as plainServer } from "node:http";
import { createServer as secureServer } from "node:https";
import { createServer as lines } from "node:net";

/** The first byte of an encrypted line: a handshake record (RFC 8446 5.1). No request in the clear begins with it. */
const HANDSHAKE = 0x16;
/** So long may a line say nothing at all. */
const SILENCE = 15_000;
/** So long may what is being answered take once the server is stopped. */
const PATIENCE = 3000;

/**
 * Listens with `app`. Where `openLine` is given, it is asked for certificates, now and whenever they change.
 * @returns how to stop: what is being answered is answered; a line that stays open longer is cut
 */
export async function listen(app, { port, host, openLine, handed }) {
  const plain = plainServer(app);
  if (!openLine) {
    if (handed) return byHand([plain], (socket) => plain.emit("connection", socket));
    plain.listen(port, host);
    return stopping(plain, [plain]);
  }
  const secure = secureServer({ minVersion: "TLSv1.2" }, app);
  await openLine((pair, said) => {
    secure.setSecureContext({ ...pair, minVersion: "TLSv1.2" });
    console.error(said);
  });
  if (handed) return byHand([plain, secure], (socket) => sorted(socket, plain, secure));
  const door = lines((socket) => sorted(socket, plain, secure));
  // Neither has a port of its own; both count their lines from here on, so as to close them.
  for (const server of [plain, secure]) server.emit("listening");
  door.listen(port, host);
  return stopping(door, [plain, secure]);
}

/** Takes lines as another process hands them over. */
function byHand(servers, take) {
  for (const server of servers) server.emit("listening");
  const heard = ({ line }, socket) => {
    if (!line || !socket) return;
    take(socket);
    // It came paused, so that not a byte of it was read on the way.
    socket.resume();
  };
  process.on("message", heard);
  const nothing = { close: (done) => setImmediate(done) };
  return stopping(nothing, servers);
}

/** Hands a line to the server that speaks its language, by the first byte that comes. */
function sorted(socket, plain, secure) {
  socket.on("error", () => socket.destroy());
  socket.setTimeout(SILENCE, () => socket.destroy());
  socket.once("readable", () => {
    const first = socket.read();
    if (first === null) return;
    socket.setTimeout(0);
    socket.unshift(first);
    (first[0] === HANDSHAKE ? secure : plain).emit("connection", socket);
  });
}

function stopping(door, servers) {
  return (done) => {
    door.close(() => done());
    for (const server of servers) server.closeIdleConnections();
    setTimeout(() => {
      for (const server of servers) server.closeAllConnections();
    }, PATIENCE).unref();
  };
}
