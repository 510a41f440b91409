import { useEffect, useState } from "react";
import { Form } from "react-router";
import type { Route } from "../routes/+types/enter";
import { useChecked } from "../session/use-checked.ts";
import { TextField } from "../ui/Field.tsx";
import { deviceName } from "./device-name.ts";
import { EnterDto } from "./people.dto.ts";

export function EnterPage({ actionData }: Route.ComponentProps) {
  const { errors, onSubmit } = useChecked(EnterDto, actionData?.errors ?? {});
  const [device, setDevice] = useState("");
  useEffect(() => setDevice(deviceName(window.navigator.userAgent)), []);
  return (
    <main id="main" tabIndex={-1} className="mx-auto grid max-w-md gap-4 p-8 max-sm:p-4">
      <h1>Ambrek</h1>
      <p>
        This yard is on a network, and this device is not in. The owner invites you: point the camera at the
        code they show, or open their link.
      </p>
      <Form method="post" className="grid gap-3" onSubmit={onSubmit} noValidate>
        <h2 className="border-b-2 border-ink pb-1">Or by your passphrase</h2>
        <p className="text-soft">
          For who was in before and chose one, at <i>This device</i>.
        </p>
        <TextField name="person" label="Your name" autoComplete="username" problem={errors.person} />
        <TextField
          name="passphrase"
          label="Passphrase"
          type="password"
          autoComplete="current-password"
          problem={errors.passphrase}
        />
        <input type="hidden" name="device" value={device} />
        {errors.form && <p className="problem">{errors.form}</p>}
        <button type="submit" className="key-main">
          Come in
        </button>
      </Form>
      <p className="text-soft">
        Nobody in who could invite? Where the server runs,{" "}
        <code className="whitespace-nowrap">npm run invite</code> shows a link for the owner.
      </p>
    </main>
  );
}
