/** What of a rig a field test can prove, and by which tests. */
import { type Attachment, asHung, type Hung, isTrain } from "../../dimension/attachment.ts";
import { hasDimension } from "../../dimension/catalogue.ts";
import { isServed } from "../../rig/asked.ts";
import { type Term, termsBetween } from "../../rig/frame.ts";
import { provenBy, type ResolvedRig } from "../../rig/resolve.ts";

export type Provable = {
  key: string;
  label: string;
  unit: "length" | "time";
  terms: readonly Term[];
  /** the jobs that can, by key */
  tests: readonly string[];
  /** it has a side: right is + */
  sideways: boolean;
  /** guidance rests on it: without it a rig is not proved through */
  wanted: boolean;
  /** what it is proved for */
  serves: "guidance" | "switching" | "terminal";
};

/** What of a tool of this attachment can be proved in the field, and by which tests. */
export function provables(of: Attachment | Hung): Provable[] {
  const hung = asHung(of);
  const ranks = hasDimension(hung, "pin.workRear");
  return [
    {
      key: "receiver",
      label: "Receiver beside the middle",
      unit: "length",
      terms: [{ key: "receiver.lateral", coefficient: 1 }],
      tests: ["wheel-marks", "wheel-coordinates", "run-log"],
      sideways: true,
      wanted: false,
      serves: "guidance",
    },
    {
      key: "across",
      label: "Work beside the receiver",
      unit: "length",
      terms: termsBetween(hung, "receiver", "workMid", "y"),
      tests: ["joints"],
      sideways: true,
      wanted: true,
      serves: "guidance",
    },
    {
      key: "width",
      label: "Working width",
      unit: "length",
      terms: [{ key: "tool.width", coefficient: 1 }],
      tests: ["joints"],
      sideways: false,
      wanted: true,
      serves: "guidance",
    },
    {
      key: "start",
      label: ranks ? "Receiver to where work begins" : "Receiver to the work",
      unit: "length",
      terms: termsBetween(hung, "receiver", "workFront", "x"),
      tests: ["headland"],
      sideways: false,
      wanted: true,
      serves: "terminal",
    },
    ...(ranks
      ? [
          {
            key: "stop",
            label: "Receiver to where work ends",
            unit: "length" as const,
            terms: termsBetween(hung, "receiver", "workRear", "x"),
            tests: ["headland"] as const,
            sideways: false,
            wanted: true,
            serves: "terminal" as const,
          },
        ]
      : []),
    ...(hasDimension(hung, "pin.pivot") && !isTrain(hung.attachment)
      ? [
          {
            key: "pivot",
            label: "Hitch to wheels",
            unit: "length" as const,
            terms: [{ key: "pin.pivot" as const, coefficient: 1 }],
            tests: ["circle"] as const,
            sideways: false,
            wanted: false,
            serves: "guidance" as const,
          },
        ]
      : []),
    {
      key: "delayOn",
      label: "Delay of switching on",
      unit: "time",
      terms: [{ key: "work.delayOn", coefficient: 1 }],
      tests: ["headland"],
      sideways: false,
      wanted: false,
      serves: "switching",
    },
    {
      key: "delayOff",
      label: "Delay of switching off",
      unit: "time",
      terms: [{ key: "work.delayOff", coefficient: 1 }],
      tests: ["headland"],
      sideways: false,
      wanted: false,
      serves: "switching",
    },
  ];
}

/** What is to be proved of a rig: of one without guidance and sections nothing. */
export function provablesOf(rig: ResolvedRig): Provable[] {
  return provables(rig).filter((each) => isServed(each, rig));
}

/** How much of what guidance rests on is proven, over some tools. */
export function provedOf(rigs: readonly ResolvedRig[]): { good: number; all: number } {
  const wanted = rigs.flatMap((rig) =>
    provablesOf(rig)
      .filter((each) => each.wanted)
      .map(({ terms }) => provenBy(terms, rig.proofs) !== null),
  );
  return { good: wanted.filter(Boolean).length, all: wanted.length };
}
