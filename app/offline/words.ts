/** Said where a form cannot be sent and does not wait: what it changes is for the server to judge. */
export const NO_CONNECTION =
  "No connection: this one needs the server. What you typed is still here; send it when the connection is back.";
