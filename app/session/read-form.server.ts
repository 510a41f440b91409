/**
 * What was sent, as a form. @throws a response with a sentence where the body is no form, breaks off, or is too much for one: nothing was
 * understood of it, and nothing is written
 */
export async function readForm(request: Request): Promise<FormData> {
  const form = await bodyOf(request);
  if ([...form.keys()].length > MOST_FIELDS)
    throw new Response("That is too much for one form: send it in parts.", { status: 413 });
  return form;
}

/** A thousand rows of three fields each: no list of a yard's is longer. */
const MOST_FIELDS = 3_000;

async function bodyOf(request: Request): Promise<FormData> {
  try {
    return await request.formData();
  } catch (error) {
    if (error instanceof Response) throw error;
    if ((error as { cause?: { code?: string }; code?: string }).code === "TOO_LARGE")
      throw new Response("That is too large.", { status: 413 });
    throw new Response("What was sent was not understood: it broke off, or is no form.", { status: 400 });
  }
}
