import { listRigs } from "../data/rigs.ts";
import { yardSized } from "./load/sized.ts";

const t = Date.now();
const db = yardSized(process.argv[2]!, { sets: Number(process.argv[3]), years: Number(process.argv[4]) });
console.log(
  listRigs(db).length,
  db.$client.prepare("select count(*) c from fact").get(),
  db.$client.prepare("select count(*) c from reading").get(),
  Date.now() - t,
  db.$client.pragma("foreign_key_check").length,
);
db.$client.close();
