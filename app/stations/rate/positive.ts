/** A figure more than nothing that is tried and not kept; null of anything else. */
export function positive(text: string): number | null {
  const value = Number(text.replace(",", "."));
  return text.trim() !== "" && Number.isFinite(value) && value > 0 ? value : null;
}
