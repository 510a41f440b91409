/** A phone in a field: enters readings by a clock of its own, sends them when it can, and again until they were answered. */
import { readingForm } from "../../bench/load/entry.ts";
import type { Chance } from "../attack/chance.ts";

/** What somebody entered: under its id it is to stand in the yard once, at the time it really happened. */
export type Entry = { id: string; rig: number; marker: string; text: string; happened: number };

export type Counted = {
  /** answered as kept, by id */
  accepted: Map<string, Entry>;
  entered: number;
  sentAgain: number;
  savedBefore: number;
  refused: string[];
  times: number[];
};

export const nothingYet = (): Counted => ({
  accepted: new Map(),
  entered: 0,
  sentAgain: 0,
  savedBefore: 0,
  refused: [],
  times: [],
});

type Waiting = Entry & { tries: number };

/** An answer that is lost on its way: asked for, and hung up on, after so many ms at most. */
const HANGS_UP = 12;

/** Nobody waits longer for an answer, ms. */
const NO_ANSWER = 20_000;

type Answer = { ok: boolean; kept?: { said: string }; errors?: Record<string, string> };

const hungUp = (signal: AbortSignal) =>
  new Promise<null>((done) => signal.addEventListener("abort", () => done(null), { once: true }));

export class Phone {
  readonly waiting: Waiting[] = [];
  inReach = true;
  private count = 0;

  constructor(
    readonly name: string,
    private readonly address: string,
    private readonly rigs: readonly number[],
    /** how far its clock is off, ms */
    private readonly off: number,
    private readonly chance: Chance,
    private readonly counted: Counted,
  ) {}

  /** Somebody reads a tape and types what it says. */
  enter(): void {
    this.count += 1;
    const marker = `${this.name} no. ${this.count}`;
    const form = readingForm("");
    this.waiting.push({
      id: form.get("id")!,
      rig: this.chance.of(this.rigs),
      marker,
      text: `${(2.9 + this.chance.below(400) / 1000).toFixed(3)}`,
      happened: Date.now(),
      tries: 0,
    });
    this.counted.entered += 1;
  }

  /** Sends what waits, in order, until something is in the way. */
  async send(): Promise<void> {
    while (this.inReach && this.waiting.length > 0) {
      const entry = this.waiting[0]!;
      const answer = await this.post(entry);
      if (answer === null) return;
      this.waiting.shift();
      if (answer.ok) this.counted.accepted.set(entry.id, entry);
      else this.counted.refused.push(`${entry.marker}: ${Object.values(answer.errors ?? {}).join(" ")}`);
      if (answer.kept?.said === "Saved before") this.counted.savedBefore += 1;
    }
  }

  private async answerTo(entry: Waiting, form: URLSearchParams, signal: AbortSignal): Promise<Answer | null> {
    const answer = await fetch(`${this.address}/rigs/${entry.rig}/keep`, {
      method: "POST",
      headers: { origin: this.address, accept: "application/json" },
      body: form,
      signal,
    });
    return answer.status >= 500 ? null : ((await answer.json()) as Answer);
  }

  private async post(entry: Waiting): Promise<Answer | null> {
    if (entry.tries > 0) this.counted.sentAgain += 1;
    entry.tries += 1;
    const by = (time: number) => new Date(time + this.off).toISOString();
    const form = readingForm(entry.text, {
      id: entry.id,
      note: entry.marker,
      person: this.name,
      happenedAt: by(entry.happened),
      sentAt: by(Date.now()),
    });
    const gone = new AbortController();
    // Reception ends in the middle of it: it may have been kept, and the phone does not know.
    const cut = setTimeout(
      () => gone.abort(),
      this.chance.oneIn(12) ? this.chance.below(HANGS_UP) : NO_ANSWER,
    );
    const start = performance.now();
    try {
      // A line that breaks in the very moment of hanging up is now and then told to nobody.
      const said = await Promise.race([this.answerTo(entry, form, gone.signal), hungUp(gone.signal)]);
      if (said === null) return null;
      this.counted.times.push(performance.now() - start);
      return said;
    } catch {
      return null;
    } finally {
      clearTimeout(cut);
    }
  }
}
