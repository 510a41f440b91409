import { Form } from "react-router";

/** Takes one entry of this page back. */
export function TakeBackOf({ id, what }: { id: string; what: string }) {
  return (
    <Form method="post">
      <input type="hidden" name="intent" value="take-back" />
      <input type="hidden" name="id" value={id} />
      <button
        type="submit"
        className="min-h-11 cursor-pointer px-2 font-semibold whitespace-nowrap underline"
        aria-label={`Take back ${what}`}
      >
        Take back
      </button>
    </Form>
  );
}
