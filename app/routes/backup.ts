import { createReadStream, statSync } from "node:fs";
import { createReadableStreamFromReadable } from "@react-router/node";
import { backupOf } from "../../data/backup.ts";
import { database } from "../../data/database.ts";

/** The whole yard as one file, sent as it is read from a copy of its own. */
export async function loader() {
  const { path, remove } = await backupOf(database());
  const file = createReadStream(path);
  file.once("close", remove);
  const day = new Date().toISOString().slice(0, 10);
  return new Response(createReadableStreamFromReadable(file), {
    headers: {
      "Content-Type": "application/vnd.sqlite3",
      "Content-Length": String(statSync(path).size),
      "Content-Disposition": `attachment; filename="ambrek-${day}.db"`,
    },
  });
}
