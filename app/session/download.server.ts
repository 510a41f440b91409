/** "Meadow-drill-3-m": a name as every file system takes it; empty where nothing of it is left. */
function plainName(name: string): string {
  return name
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .replace(/[^A-Za-z0-9]+/g, "-")
    .slice(0, 60)
    .replace(/^-|-$/g, "");
}

/** Headers of a file that is taken away: its name says what it is of, what it is, and of which day. */
export function taken(
  type: string,
  extension: string,
  parts: readonly string[],
  at: Date | null = new Date(),
): HeadersInit {
  const day = at ? [at.toISOString().slice(0, 10)] : [];
  const name = [...parts.map(plainName), ...day].filter(Boolean).join("-");
  return {
    "Content-Type": type,
    "Content-Disposition": `attachment; filename="${name || "ambrek"}.${extension}"`,
  };
}
