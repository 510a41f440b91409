/** Ids that follow from an entry's own: what it holds is kept once, however often the entry is sent. */
export function idOf(id: string, index: number): string {
  return `${id.slice(0, -3)}${index.toString(16).padStart(3, "0")}`;
}
