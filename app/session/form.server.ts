import { onlyOnce } from "./once.server.ts";
import { readForm } from "./read-form.server.ts";

/** What was sent, as a form. @throws as `readForm`; and a response that ends the action where the form came before and was answered */
export async function formOf(request: Request): Promise<FormData> {
  const form = await readForm(request);
  await onlyOnce(request, form);
  return form;
}
