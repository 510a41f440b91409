import { yardSized } from "./load/sized.ts";

const t = Date.now();
const db = yardSized(process.argv[2]!, { sets: Number(process.argv[3]), years: Number(process.argv[4]) });
console.log(Date.now() - t);
db.$client.close();
