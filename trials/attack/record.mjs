/**
 * Notes every form a running server is sent, a line each as JSON, in the file AMBREK_RECORD: loaded beside the server with
 * `NODE_OPTIONS=--import`, while the browser tests press every key there is. What they send is what the attack begins from.
 */
import { appendFileSync } from "node:fs";
import { Server } from "node:http";

const TO = process.env.AMBREK_RECORD;
/** Longer bodies carry files, bytes. */
const MOST = 200_000;

function noted(req) {
  const pieces = [];
  const push = req.push.bind(req);
  req.push = (piece, ...more) => {
    if (piece) pieces.push(piece);
    else {
      const body = Buffer.concat(pieces);
      if (body.length <= MOST)
        appendFileSync(
          TO,
          `${JSON.stringify({ path: req.url, type: req.headers["content-type"] ?? "", body: body.toString("base64") })}\n`,
        );
    }
    return push(piece, ...more);
  };
}

if (TO) {
  const emit = Server.prototype.emit;
  Server.prototype.emit = function emitted(event, ...args) {
    if (event === "request" && args[0].method === "POST") noted(args[0]);
    return emit.call(this, event, ...args);
  };
}
