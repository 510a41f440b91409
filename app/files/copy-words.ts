/** What it means where a kind of copy is not kept. */
export const WITHOUT = {
  replica:
    "None is kept. Where this machine breaks, what was written since the last dated backup goes with it: npm start -- --replica, and a folder on another machine or a bucket.",
  backups: "Switched off where this server was started (--backups off).",
};
