/** A full yard to look at in the place of an empty one, and the empty one again. */
import { database } from "../../data/database.ts";
import { isDemoYard } from "../../data/demo/whole-yard.ts";
import { listMachines } from "../../data/machines.ts";
import { replaceYard } from "../files/replace-yard.server.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";

/** Puts the demo yard where nothing stands yet. */
export async function showDemo(): Promise<Outcome> {
  if (listMachines(database()).length > 0)
    return refused({ form: "There are machines in this yard: the demo would take their place." });
  return replaced("demo", "The demo yard: made-up people, farms and machines");
}

/** Takes the demo yard away; what was entered in it goes with it, into a copy beside. */
export async function leaveDemo(): Promise<Outcome> {
  if (!isDemoYard(database())) return refused({ form: "This is not the demo yard: it stays." });
  return replaced("empty", "An empty yard. The demo yard is kept as a copy, listed on Files");
}

async function replaced(yard: "demo" | "empty", said: string): Promise<Outcome> {
  const problem = await replaceYard(yard);
  return problem ? refused({ form: problem }) : kept(said);
}
