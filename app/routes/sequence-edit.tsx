import { isSequenceKind, SEQUENCE_LABELS } from "../../core/sequence/step.ts";
import { listOf } from "../../core/sequence/templates.ts";
import { addressesIn } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { Editor } from "../stations/sequences/Editor.tsx";
import { openSequence } from "../stations/sequences/open-sequence.server.ts";
import type { Route } from "./+types/sequence-edit";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { kind } = params;
  if (!isSequenceKind(kind)) throw new Response("There is no such sequence.", { status: 404 });
  const { lists, machine, supposed: start } = openSequence(open, kind);
  const steps = [...listOf(kind, machine, lists).steps];
  const template = listOf(kind, machine).steps;
  return {
    frame: frameOf(open, "sequences", request),
    kind,
    tool: open.whole.parts[open.index]!.name,
    steps,
    known: [...steps, ...template.filter(({ id }) => !steps.some((step) => step.id === id))],
    start,
    edited: lists[kind] !== undefined,
  };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `${SEQUENCE_LABELS[loaderData.kind]}, edit · Ambrek` : "Ambrek" }];
}

export default function SequenceEdit({ loaderData }: Route.ComponentProps) {
  const { frame, kind, tool, steps, known, start, edited } = loaderData;
  const { to } = addressesIn(frame);
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="sequences">
      <div className="grid gap-3">
        <PageHead title={`${SEQUENCE_LABELS[kind]}: the list`}>
          Of {tool}, on every rig. Pull a step by its handle, or move it with space and arrow keys. The
          maker's book comes first.
        </PageHead>
        <Editor
          key={`${kind} ${edited}`}
          kind={kind}
          steps={steps}
          known={known}
          start={start}
          edited={edited}
          action={to("keep")}
          backHref={to(`sequences/${kind}`)}
          person={frame.preferences.person}
        />
      </div>
    </RigFrame>
  );
}
