/** `npm run attack [-- SEED [SHARE [ONLY]]]`: after a build; ends with 1 where anything happened that may not. */
import { attack } from "./attack.ts";

const seed = Number(process.argv[2] ?? Date.now() % 1_000_000);
const print = (cells: readonly (string | number)[]) =>
  console.log(
    cells.map((cell, at) => (at === 0 ? String(cell).padEnd(36) : String(cell).padStart(10))).join(""),
  );
console.log(`seed ${seed}`);
print(["", "sent", "taken", "refused", "longest"]);
const share = Number(process.argv[3] ?? 1);
const { rows, faults, meanwhile, unknown, reached } = await attack(
  {
    seed,
    forms: Math.ceil(200 * share),
    addresses: Math.ceil(20 * share),
    files: Math.ceil(200 * share),
    lines: Math.ceil(400 * share),
    only: process.argv[4] ?? "",
  },
  ({ what, sent, kept, refused, longest }) => print([what, sent, kept, refused, `${longest.toFixed(0)} ms`]),
);
const sum = (of: (row: (typeof rows)[number]) => number) => rows.reduce((all, row) => all + of(row), 0);
print(["all", sum(({ sent }) => sent), sum(({ kept }) => kept), sum(({ refused }) => refused)]);
console.log(
  `the yard page meanwhile, asked ${meanwhile.asked} times: p50 ${meanwhile.p50.toFixed(0)} ms, p99 ${meanwhile.p99.toFixed(0)} ms, at most ${meanwhile.most.toFixed(0)} ms`,
);
console.log(`addresses of ${reached} routes`);
if (unknown.length > 0) console.log(`no form is known of ${unknown.join(", ")}`);
const kinds = new Map<string, typeof faults>();
for (const fault of faults) {
  const key = `${fault.sent.path.replace(/\d+/g, "n").replace(/\?.*/, "").slice(0, 60)} ${fault.what.slice(0, 90)}`;
  kinds.set(key, [...(kinds.get(key) ?? []), fault]);
}
for (const [key, all] of kinds) {
  console.log(
    `\n${all.length} × ${key}\n  ${all[0]!.sent.method} ${all[0]!.sent.path.slice(0, 300)}\n  ${JSON.stringify(all[0]!.body.slice(0, 3_000))}`,
  );
}
console.log(`\n${faults.length} faults`);
process.exit(faults.length === 0 && unknown.length === 0 ? 0 : 1);
