/** Where the yard of this server lies. */
export function databasePath(): string {
  return process.env.AMBREK_DB || "var/ambrek.db";
}
