import { backupOf } from "../../data/backup.ts";
import { database } from "../../data/database.ts";

export async function loader() {
  const day = new Date().toISOString().slice(0, 10);
  return new Response(new Uint8Array(backupOf(database())), {
    headers: {
      "Content-Type": "application/vnd.sqlite3",
      "Content-Disposition": `attachment; filename="ambrek-${day}.db"`,
    },
  });
}
