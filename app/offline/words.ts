/** Said where a form cannot be sent and does not wait: what it changes is for the server to judge. */
export const NO_CONNECTION =
  "No connection: this one needs the server. What you typed is still here; send it when the connection is back.";

/** "Sat 16:22": as of when something is seen, or was taken along. */
export const asOf = (at: string): string =>
  new Date(at).toLocaleString("en-GB", { weekday: "short", hour: "2-digit", minute: "2-digit" });
