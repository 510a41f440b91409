/** A server under attack: what is sent, and what may not happen then. */
import { createHash } from "node:crypto";
import { Agent, request } from "node:http";
import SqliteFile from "better-sqlite3";
import type { Served } from "../../bench/load/served.ts";
import { identityOf } from "../../data/keeping.ts";
import type { Sent } from "./forms.ts";

/** What may not happen, with what made it happen. */
export type Fault = { what: string; sent: Pick<Sent, "method" | "path">; body: string };

export type Tally = { sent: number; kept: number; refused: number; longest: number };

/** Longer than this nobody waits for an answer, ms. */
const PATIENCE = 30_000;
/** A page larger than this is no answer, bytes. */
const LARGEST = 8_000_000;
/** What is as large as the yard: with all that was sent and kept, larger than that. */
const THE_YARD = /^\/backup\.db/;

export type Answer = {
  status: number;
  text: string;
  bytes: number;
  milliseconds: number;
  location: string | null;
};

/** Attacks one server, one request after the other, and holds every table of its yard against what was answered. */
export class Attacked {
  readonly faults: Fault[] = [];
  private readonly agent = new Agent({ keepAlive: true, maxSockets: 1 });
  private file: SqliteFile.Database;
  private rows: Map<string, string>;
  private version: unknown;
  private identity: string;

  constructor(
    private readonly served: Served,
    private readonly path: string,
  ) {
    this.file = new SqliteFile(path, { readonly: true });
    this.identity = identityOf(path) ?? "";
    this.version = this.now();
    this.rows = this.dump();
  }

  close(): void {
    this.agent.destroy();
    this.file.close();
  }

  /** Sends one request and judges what came of it. */
  async send(sent: Sent, tally: Tally): Promise<Answer | null> {
    const fault = (what: string) =>
      this.faults.push({
        what,
        sent: { method: sent.method, path: sent.path },
        body: Buffer.from(sent.body ?? [])
          .toString("latin1")
          .slice(0, 4_000),
      });
    tally.sent += 1;
    const answer = await this.ask(sent);
    if (this.served.server.exitCode !== null || this.served.server.signalCode !== null) {
      fault("the server ended");
      throw new Error("The server ended.");
    }
    if (typeof answer === "string") {
      fault(`no answer: ${answer}`);
      return null;
    }
    const { status, text, bytes, milliseconds } = answer;
    tally.longest = Math.max(tally.longest, milliseconds);
    tally[status >= 400 ? "refused" : "kept"] += 1;
    if (status >= 500) fault(`${status}: ${text.slice(0, 200)}`);
    if (/\n\s+at [\w.<]+ \(?(file|node|\/)/.test(text)) fault("a stack in the answer");
    if (bytes > LARGEST && !THE_YARD.test(sent.path)) fault(`an answer of ${(bytes / 1e6).toFixed(0)} MB`);
    this.held(status, fault);
    return answer;
  }

  /** What was refused changed nothing: every table as it was. */
  private held(status: number, fault: (what: string) => void): void {
    const version = this.now();
    if (version === this.version) return;
    this.version = version;
    const rows = this.dump();
    const changed = [...rows]
      .filter(([table, hash]) => this.rows.get(table) !== hash)
      .map(([table]) => table);
    this.rows = rows;
    if (status >= 400 && changed.length > 0) fault(`${status}, and ${changed.join(", ")} changed`);
  }

  /** True once another file stands in the yard's place: nothing is seen of it until it is looked at anew. */
  isReplaced(): boolean {
    return identityOf(this.path) !== this.identity;
  }

  /** Looks at the file that stands there now. */
  again(): void {
    this.file.close();
    this.file = new SqliteFile(this.path, { readonly: true });
    this.identity = identityOf(this.path) ?? "";
    this.version = this.now();
    this.rows = this.dump();
  }

  /** Grows with every write of anybody else's. */
  private now(): unknown {
    return this.file.pragma("data_version", { simple: true });
  }

  private dump(): Map<string, string> {
    const tables = this.file
      .prepare("select name from sqlite_master where type = 'table' order by name")
      .pluck()
      .all() as string[];
    return new Map(
      tables.map((table) => {
        const hash = createHash("sha1");
        for (const row of this.file.prepare(`select * from "${table}"`).raw().iterate() as Iterable<
          unknown[]
        >)
          for (const cell of row) hash.update(Buffer.isBuffer(cell) ? cell : `${cell}\u0001`);
        return [table, hash.digest("hex")];
      }),
    );
  }

  private ask({ method, path, headers, body }: Sent): Promise<Answer | string> {
    const { hostname, port } = new URL(this.served.address);
    const start = performance.now();
    return new Promise((done) => {
      let over = false;
      const end = (answer: Answer | string) => {
        over = true;
        done(answer);
      };
      const asked = request(
        {
          hostname,
          port,
          path: path.replace(/[\s\p{Cc}]/gu, "%20"),
          method,
          agent: this.agent,
          headers: { ...headers, ...(body && { "content-length": String(body.length) }) },
          timeout: PATIENCE,
        },
        (answer) => {
          let bytes = 0;
          const pieces: Buffer[] = [];
          answer.on("data", (piece: Buffer) => {
            if (bytes < 20_000) pieces.push(piece);
            bytes += piece.length;
          });
          const finish = () =>
            over ||
            end({
              status: answer.statusCode ?? 0,
              location: answer.headers.location ?? null,
              text: Buffer.concat(pieces).toString("utf8"),
              bytes,
              milliseconds: performance.now() - start,
            });
          answer.on("end", finish);
          answer.on("close", finish);
        },
      );
      asked.on("timeout", () => {
        end(`none in ${PATIENCE / 1000} s`);
        asked.destroy();
      });
      // The answer to what is too large comes before all of it was taken.
      asked.on("error", (error: NodeJS.ErrnoException) => {
        if (over) return;
        // The server hung up on a line that was silent just as it was taken up again (RFC 9112 9.3.1): asked on another.
        if (asked.reusedSocket && (error.code === "ECONNRESET" || error.code === "EPIPE"))
          this.ask({ method, path, headers, body }).then(end);
        else end(error.message);
      });
      asked.end(body ?? undefined);
    });
  }
}
