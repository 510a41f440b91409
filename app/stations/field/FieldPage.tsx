import { Form } from "react-router";
import type { Route } from "../../routes/+types/field";
import { addressesIn } from "../frame/address.ts";
import { PageHead } from "../frame/PageHead.tsx";
import { RigFrame } from "../frame/RigFrame.tsx";
import { Drives, SimulatedTape, SimulatedTerminal } from "./FieldPanel.tsx";

export function FieldPage({ loaderData: { frame, view }, actionData }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  const { practice } = view;
  const problem = Object.values(actionData?.errors ?? {})[0];
  return (
    <RigFrame view={frame} station="proof" ways={{ close: to("proof") }}>
      <div className="grid gap-4">
        <PageHead title="Simulated field" back={{ to: to("proof"), label: "Field tests of this rig" }}>
          {practice
            ? "A rig with true measures nobody told you. Feed its terminal, drive, measure, and find what is wrong."
            : "Practise every field test without iron: on a copy of this rig, whose true measures differ from what is written down."}
        </PageHead>
        {practice ? (
          <>
            <div className="grid grid-cols-2 gap-6 max-sm:grid-cols-1">
              <SimulatedTerminal practice={practice} action={to("keep")} />
              <Drives
                practice={practice}
                action={to("keep")}
                person={frame.preferences.person}
                jobHref={(id) => to(`proof/${id}`)}
              />
            </div>
            <SimulatedTape practice={practice} hrefOf={(asked) => to("field/tape", asked)} />
          </>
        ) : (
          <Form method="post" className="grid gap-3">
            <p className="leading-snug">
              The copy has machines of its own: nothing practised touches a reading of the yard. Put it away
              when you are done.
            </p>
            <label className="flex min-h-11 items-center gap-2">
              <input type="radio" name="start" value="as read" defaultChecked className="size-5" />
              With the readings as they are: the field tests shall find what is off
            </label>
            <label className="flex min-h-11 items-center gap-2">
              <input type="radio" name="start" value="empty" className="size-5" />
              Without antenna and tool: tape everything yourself with the simulated tape
            </label>
            {problem && <p className="problem">{problem}</p>}
            <button type="submit" className="key-main justify-self-start">
              Make a practice rig
            </button>
          </Form>
        )}
      </div>
    </RigFrame>
  );
}
