/**
 * Shows a link that lets an owner in, once, within an hour: `npm run invite [-- --owner NAME] [-- --db FILE]`, or of several yards
 * `-- --yards DIR --yard FOLDER-or-NAME`. For whoever runs the server, where no owner has a device any more; a running one takes it up at once.
 */
import { existsSync } from "node:fs";
import { join } from "node:path";
import { build, ensureInstalled, ROOT, told } from "./bootstrap.mjs";

ensureInstalled();
const front = join(ROOT, "build", "worker", "front.js");
if (!existsSync(front)) build();
process.env.AMBREK_LAN = "yes";
const yard = told("--db");
if (yard) process.env.AMBREK_DB = yard;
const { ownersLink } = await import(front);
try {
  await ofSeveral(told("--yards"), told("--yard"));
  const link = ownersLink({ always: true, called: told("--owner") ?? "" });
  console.log(`\nTo come in as the owner${link.for ? ` ${link.for}` : ""}, once, within the hour:`);
  for (const each of link.links) console.log(`  ${each}`);
} catch (error) {
  console.error(error.message);
  process.exit(2);
}

/** Which of several yards, and where it is met. */
async function ofSeveral(root, wanted) {
  if (root === undefined) return;
  const { fileOf, yardsIn } = await import(join(ROOT, "build", "worker", "yards.js"));
  const yards = yardsIn(root, Number(process.env.PORT || 4180) + 1);
  const yard = yards.find(({ folder, name }) => wanted === folder || wanted === name);
  if (!yard)
    throw new Error(`--yard is one of: ${yards.map(({ folder }) => folder).join(", ") || "none there yet"}.`);
  process.env.AMBREK_DB = fileOf(root, yard.folder);
  process.env.PORT = String(yard.port);
}
