import { Form, Link } from "react-router";
import { QrCode } from "../network/QrCode.tsx";
import type { Route } from "../routes/+types/people";
import { useChecked } from "../session/use-checked.ts";
import { SelectField, TextField } from "../ui/Field.tsx";
import { Folded } from "../ui/Folded.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import { InviteDto } from "./people.dto.ts";
import type { InvitationMade, PeopleView, PersonShown } from "./people-view.server.ts";
import { ROLE_WORDS, ROLES } from "./roles.ts";

export function PeoplePage({ loaderData: { preferences, view }, actionData }: Route.ComponentProps) {
  const made = actionData?.made;
  return (
    <YardFrame preferences={preferences} here={null}>
      <div>
        <h1>People</h1>
        <p className="text-lead text-soft">
          Who comes into this yard, with which devices, and what each may do. What waits on each device is
          under{" "}
          <Link to="/server" className="font-semibold text-dye">
            This server
          </Link>
          .
        </p>
      </div>
      {actionData?.ok && actionData.kept.said && (
        <p className="font-bold text-ok" role="status">
          {actionData.kept.said}
        </p>
      )}
      {actionData?.errors.form && <p className="problem">{actionData.errors.form}</p>}
      {view === null ? (
        <p>
          This server answers on this machine only: whoever sits here is in, and nobody else. Started with{" "}
          <code className="whitespace-nowrap">--lan</code>, each person comes in with devices of their own,
          and they stand here.
        </p>
      ) : (
        <div className="grid grid-cols-[1fr_400px] gap-8 max-lg:grid-cols-1">
          <div className="grid content-start gap-5 max-lg:order-last">
            {view.people.map((each) => (
              <Person key={each.id} {...each} />
            ))}
          </div>
          <div className="grid content-start gap-5">
            {made && <Made key={made.links[0]?.address} {...made} />}
            <Invite key={made?.until} errors={actionData?.errors ?? {}} />
            <Waiting waiting={view.waiting} />
          </div>
        </div>
      )}
    </YardFrame>
  );
}

/** Shown once: the link is not kept anywhere, only what it is known again by. */
function Made({ name, links, until }: InvitationMade) {
  return (
    <section className="grid gap-2 border-2 border-dye p-3" aria-label="Invitation">
      <h2>{name === "" ? "An invitation" : `For ${name}`}</h2>
      {links.map(({ address, qr }) => (
        <figure key={address} className="grid gap-2">
          <QrCode svg={qr} of="the invitation" className="w-56" />
          <figcaption className="select-all break-all text-small" data-invitation>
            {address}
          </figcaption>
        </figure>
      ))}
      <p>
        Point their camera at it, or send them the link by a way only they read. Good once, until {until}. It
        is shown now and never again.
      </p>
    </section>
  );
}

function Invite({ errors: sent }: { errors: Record<string, string> }) {
  const { errors, onSubmit } = useChecked(InviteDto, sent);
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1">Invite somebody</h2>
      <Form method="post" className="grid gap-3 pt-2" onSubmit={onSubmit} noValidate>
        <input type="hidden" name="intent" value="invite" />
        <TextField
          name="name"
          label="Who"
          autoComplete="off"
          problem={errors.name}
          hint="What they enter is signed by this name."
        />
        <fieldset className="grid gap-1">
          <legend className="pb-1">As</legend>
          {ROLES.map((role) => (
            <label key={role} className="grid min-h-11 grid-cols-[auto_1fr] items-start gap-x-2 gap-y-0 py-1">
              <input
                type="radio"
                name="role"
                value={role}
                defaultChecked={role === "operator"}
                className="mt-0.5 size-5"
              />
              <span>
                <b>{role}</b>: {ROLE_WORDS[role]}
              </span>
            </label>
          ))}
          {errors.role && <p className="problem">{errors.role}</p>}
        </fieldset>
        <button type="submit" className="key-main justify-self-start">
          Make an invitation
        </button>
      </Form>
    </section>
  );
}

function Waiting({ waiting }: { waiting: PeopleView["waiting"] }) {
  if (waiting.length === 0) return null;
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1">Invited, not here yet</h2>
      <ul>
        {waiting.map(({ name, role, until, said }) => (
          <li
            key={`${name} ${until}`}
            className="flex items-center justify-between gap-3 border-b border-hair py-2"
          >
            <span>
              <b>{name || "The first owner"}</b>, {role}
              <span className="block text-small text-soft">{said}</span>
            </span>
            <Form method="post">
              <input type="hidden" name="intent" value="uninvite" />
              <input type="hidden" name="name" value={name} />
              <input type="hidden" name="until" value={until} />
              <button type="submit" className="key" aria-label={`Take back the invitation of ${name}`}>
                Take back
              </button>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Person({ id, name, role, isYou, passphrase, devices }: PersonShown) {
  return (
    <section aria-label={name}>
      <h2 className="border-b-2 border-ink pb-1">
        {name}{" "}
        <span className="font-normal text-soft">
          {role}
          {isYou && ", you"}
        </span>
      </h2>
      <ul>
        {devices.map(({ id: device, name: called, said, isThis }) => (
          <li key={device} className="flex items-center justify-between gap-3 border-b border-hair py-1">
            <span>
              {called}
              {isThis && <b> (this one)</b>}
              <span className="block text-small text-soft">{said}</span>
            </span>
            <Form method="post">
              <input type="hidden" name="intent" value="end-device" />
              <input type="hidden" name="device" value={device} />
              <button type="submit" className="key" aria-label={`Revoke ${called} of ${name}`}>
                Revoke
              </button>
            </Form>
          </li>
        ))}
        {devices.length === 0 && <li className="py-2 text-warn">No device: nobody comes in as {name}.</li>}
      </ul>
      <Folded summary={`More of ${name}`}>
        <p className="py-1 text-soft">
          {passphrase
            ? "Has a passphrase, and can come in with it on a device that is not known."
            : "Has no passphrase: comes in by invitation alone."}
        </p>
        <div className="flex flex-wrap items-end gap-3 pb-2">
          <Form method="post">
            <input type="hidden" name="intent" value="one-more" />
            <input type="hidden" name="person" value={id} />
            <button type="submit" className="key">
              One more device
            </button>
          </Form>
          <Form method="post" className="flex flex-wrap items-end gap-2">
            <input type="hidden" name="intent" value="role" />
            <input type="hidden" name="person" value={id} />
            <SelectField
              key={role}
              name="role"
              label={`${name} is`}
              choices={ROLES.map((each) => [each, each] as const)}
              defaultValue={role}
            />
            <button type="submit" className="key">
              Change
            </button>
          </Form>
          <Form method="post">
            <input type="hidden" name="intent" value="end-person" />
            <input type="hidden" name="person" value={id} />
            <button type="submit" className="key text-bad">
              {name} leaves this yard
            </button>
          </Form>
        </div>
      </Folded>
    </section>
  );
}
