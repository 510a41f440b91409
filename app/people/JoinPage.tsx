import { useEffect, useState } from "react";
import { Form, Link, useFetcher } from "react-router";
import type { Route } from "../routes/+types/join";
import { useChecked } from "../session/use-checked.ts";
import { TextField } from "../ui/Field.tsx";
import { deviceName } from "./device-name.ts";
import { JoinDto, NO_INVITATION } from "./people.dto.ts";
import { ROLE_WORDS } from "./roles.ts";

/** Where an invitation leads: what stands behind the # of the link never went over the line; it is sent from here, once. */
export function JoinPage({ actionData }: Route.ComponentProps) {
  const [token, setToken] = useState<string | null>(null);
  const [device, setDevice] = useState("");
  const { submit, data } = useFetcher<Route.ComponentProps["actionData"]>();
  useEffect(() => {
    const take = () => setToken(window.location.hash.slice(1));
    take();
    setDevice(deviceName(window.navigator.userAgent));
    window.addEventListener("hashchange", take);
    return () => window.removeEventListener("hashchange", take);
  }, []);
  useEffect(() => {
    if (token) submit({ intent: "look", token }, { method: "post" });
  }, [token, submit]);
  const { errors, onSubmit } = useChecked(JoinDto, actionData?.errors ?? {});
  const invited = data && "invited" in data ? data.invited : null;
  const problem = token === "" ? NO_INVITATION : (data?.errors.form ?? data?.errors.token);
  return (
    <main id="main" tabIndex={-1} className="mx-auto grid max-w-md gap-4 p-8 max-sm:p-4">
      <h1>{problem ? "Nobody comes in by this" : "You are invited"}</h1>
      {problem && <p className="problem">{problem}</p>}
      {problem && (
        <p>
          Were you in before?{" "}
          <Link to="/enter" className="font-semibold text-dye underline">
            Come in with your passphrase
          </Link>
          , or ask the owner for another invitation.
        </p>
      )}
      {invited && (
        <Form method="post" className="grid gap-3" onSubmit={onSubmit} noValidate>
          <input type="hidden" name="intent" value="join" />
          <input type="hidden" name="token" value={token ?? ""} />
          <p>
            {invited.by ? `${invited.by} invites ` : "You are invited "}
            {invited.by && (invited.name === "" ? "you" : <b>{invited.name}</b>)} as <b>{invited.role}</b>:{" "}
            {ROLE_WORDS[invited.role]}
          </p>
          {invited.name === "" ? (
            <TextField
              name="name"
              label="Your name"
              autoComplete="name"
              problem={errors.name}
              hint="What you enter is signed by it."
            />
          ) : (
            <input type="hidden" name="name" value="" />
          )}
          <TextField
            name="device"
            label="What this device is called"
            autoComplete="off"
            problem={errors.device}
            value={device}
            onChange={(event) => setDevice(event.target.value)}
            hint="The owner sees it in the list, and can revoke it when it is lost."
          />
          {errors.form && <p className="problem">{errors.form}</p>}
          <button type="submit" className="key-main">
            Come in
          </button>
          <p className="text-soft">Good once: this link lets nobody in after you.</p>
        </Form>
      )}
    </main>
  );
}
