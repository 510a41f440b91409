import { data, Form, redirect } from "react-router";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { isOnNetwork, isPassphrase, mayTry, openSession } from "../session/passphrase.server.ts";
import { TextField } from "../ui/Field.tsx";
import type { Route } from "./+types/enter";

export function loader() {
  if (!isOnNetwork()) throw redirect("/");
  return null;
}

export async function action({ request }: Route.ActionArgs) {
  if (!mayTry(Date.now()))
    return data(refused({ passphrase: "Too many tries. Wait a minute." }), { status: 429 });
  const form = await formOf(request);
  if (!isPassphrase(String(form.get("passphrase") ?? "")))
    return answered(refused({ passphrase: "That is not this yard's passphrase." }));
  throw redirect("/", { headers: { "Set-Cookie": await openSession(request) } });
}

export function meta() {
  return [{ title: "Ambrek" }];
}

export default function Enter({ actionData }: Route.ComponentProps) {
  return (
    <main id="main" tabIndex={-1} className="mx-auto grid max-w-md gap-4 p-8">
      <h1>Ambrek</h1>
      <p>This yard is on the network. The passphrase is shown where the server was started.</p>
      <Form method="post" className="grid gap-2">
        <TextField
          name="passphrase"
          label="Passphrase"
          type="password"
          autoComplete="current-password"
          problem={actionData?.errors.passphrase}
        />
        <button type="submit" className="key-main">
          Come in
        </button>
      </Form>
    </main>
  );
}
