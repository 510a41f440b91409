/** `npm run soak [-- SECONDS [SEED]]`: after a build; ten minutes unless told otherwise. Ends with 1 where anything happened that may not. */
import { soak } from "./soak.ts";

const seconds = Number(process.argv[2] ?? 600);
const seed = Number(process.argv[3] ?? Date.now() % 1_000_000);
console.log(`seed ${seed}, ${seconds} s, 12 phones, two desks`);
const found = await soak({ seed, seconds, phones: 12, kills: Math.max(2, Math.round(seconds / 60)) });
const row = (name: string, value: string | number) =>
  console.log(`${name.padEnd(44)}${String(value).padStart(12)}`);
row("entered on phones", found.entered);
row("accepted", found.accepted);
row("sent again", found.sentAgain);
row("of these answered “saved before”", found.savedBefore);
row("an entry, p50 and p99", `${found.p50.toFixed(0)}, ${found.p99.toFixed(0)} ms`);
row("pages read", found.pages);
row("files brought in", found.imports);
row("backups taken and opened", found.backups);
row("restores", found.restores);
row("killed and started again", found.kills);
row(
  "memory after that, first and last third",
  `${found.memory.first.toFixed(0)}, ${found.memory.last.toFixed(0)} MB`,
);
row("open files, first and last third", `${found.open.first}, ${found.open.last}`);
for (const [name, size] of found.beside) row(`beside the yard: ${name}`, `${size.toFixed(1)} MB`);
for (const fault of found.faults) console.log(`FAULT ${fault}`);
console.log(`${found.faults.length} faults`);
process.exit(found.faults.length === 0 ? 0 : 1);
