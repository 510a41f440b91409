/** The title of a page about a rig, as the browser's tab shows it. */
export function rigTitle(what: string, rig: string | undefined): { title: string }[] {
  return [{ title: rig === undefined ? "Ambrek" : `${what}, ${rig} · Ambrek` }];
}
