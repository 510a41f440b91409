import { say } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";
import type { TyreAnswer } from "../../../core/yard/tyres.ts";

/** What a tyre table answers, in words. */
export function answerText(answer: TyreAnswer, units: Units): string {
  switch (answer.kind) {
    case "pressure":
      return `${say("pressure", answer.pressure, units)}${answer.floor ? ", the table's lowest" : ""}`;
    case "overloaded":
      return `overloaded by ${say("mass", answer.by, units)}`;
    case "too fast":
      return `table ends at ${say("speed", answer.fastest, units)}`;
    case "hole":
      return "the table has a hole here";
  }
}
