import { Form, Link } from "react-router";
import type { Who } from "../../data/people/people.ts";
import { leaveBehind } from "../offline/take-along.ts";
import type { FieldErrors } from "../session/validate.ts";
import { TextField } from "../ui/Field.tsx";
import { Folded } from "../ui/Folded.tsx";
import { ROLE_WORDS } from "./roles.ts";

/** Whose device this is, and what they do about it. */
export function ThisDevice({
  who: { person, role, device },
  passphrase,
  errors,
  said,
}: {
  who: Pick<Who, "person" | "role" | "device">;
  passphrase: boolean;
  errors: FieldErrors;
  said: string;
}) {
  return (
    <section className="grid content-start gap-3">
      <h2 className="border-b-2 border-ink pb-1">{person}</h2>
      {said && (
        <p className="font-bold text-ok" role="status">
          {said}
        </p>
      )}
      <p>
        <b>{device}</b> is yours: what you enter here is signed <b>{person}</b>. Another name in a form stands
        beside it, as “Somebody (on {person}’s device)”.
      </p>
      <p className="text-soft">
        You are {role}: {ROLE_WORDS[role]}
      </p>
      {role === "owner" && (
        <Link className="key justify-self-start" to="/people">
          People and devices
        </Link>
      )}
      <Folded summary="Call this device otherwise" open={errors.device !== undefined}>
        <Form method="post" className="grid gap-2 pb-2">
          <input type="hidden" name="intent" value="rename" />
          <TextField
            key={device}
            name="device"
            label="Its name"
            defaultValue={device}
            problem={errors.device}
          />
          <button type="submit" className="key justify-self-start">
            Rename
          </button>
        </Form>
      </Folded>
      <Folded
        summary={passphrase ? "Change your passphrase" : "Choose a passphrase"}
        open={errors.passphrase !== undefined || errors.before !== undefined}
      >
        <Form method="post" className="grid gap-2 pb-2">
          <input type="hidden" name="intent" value="passphrase" />
          <input type="hidden" name="username" autoComplete="username" value={person} />
          {passphrase ? (
            <TextField
              name="before"
              label="The one you have now"
              type="password"
              autoComplete="current-password"
              problem={errors.before}
            />
          ) : (
            <input type="hidden" name="before" value="" />
          )}
          <TextField
            name="passphrase"
            label="The new one"
            type="password"
            autoComplete="new-password"
            problem={errors.passphrase}
            hint="A few words that do not belong together. With your name it lets you in on a device that is not known yet; your other devices come in anew."
          />
          <button type="submit" className="key justify-self-start">
            Keep it
          </button>
        </Form>
      </Folded>
      <Form
        method="post"
        onSubmit={() => {
          // What was taken along is the yard's: it does not stay on a device that leaves.
          if ("caches" in window) leaveBehind().catch(() => {});
        }}
      >
        <input type="hidden" name="intent" value="leave" />
        <button type="submit" className="key">
          Leave on this device
        </button>
      </Form>
      {errors.form && <p className="problem">{errors.form}</p>}
    </section>
  );
}
