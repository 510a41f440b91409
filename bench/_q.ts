import { resolve } from "node:path";
import { createRequestHandler, type ServerBuild } from "react-router";
import { pagesOf } from "./load/pages.ts";

process.env.AMBREK_DB = process.argv[2]!;
const build = (await import(resolve("build/server/index.js"))) as ServerBuild;
const answer = createRequestHandler(build, "production");
const rows: [number, string, number, number, number][] = [];
const skip=["/","/season","/tape-list","/year"]; for (const at of pagesOf(build)) { if (skip.includes(at)||at.includes("keep")) continue;
  const ts: number[] = [];
  let st = 0,
    len = 0;
  for (let i = 0; i < 3; i++) {
    const t = performance.now();
    const r = await answer(new Request(`http://127.0.0.1${at}`, { headers: { host: "127.0.0.1" } }));
    const b = await r.arrayBuffer();
    len = b.byteLength;
    st = r.status;
    ts.push(performance.now() - t);
    if (ts[0]! > 3000) break;
  }
  console.log(
    Math.min(...ts)
      .toFixed(1)
      .padStart(9),
    ts[0]!.toFixed(0).padStart(7),
    st,
    (len / 1024).toFixed(0).padStart(6) + "kB",
    at,
  );
  rows.push([Math.min(...ts), at, st, ts[0]!, len]);
}
process.exit(0);
