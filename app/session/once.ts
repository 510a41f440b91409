/**
 * Every form that is sent carries a number of the view it was filled in on, so that one that comes once more, pressed twice or sent again by
 * a reload, is known by the server. What is sent on purpose a second time has another: a view has a new number after each answer.
 */
import { v4 as uuid } from "uuid";

/** The field it comes in. */
export const ONCE = "once";

type Numbered = Window & { ambrekView?: string };

/** Runs before anything else on the page, since a key can be pressed before the page hears of it. */
export const NUMBERS_FORMS = `{
  const random = crypto.getRandomValues(new Uint32Array(4));
  window.ambrekView = Array.from(random, (each) => each.toString(36)).join("-");
  addEventListener("formdata", ({ target, formData }) => {
    if (target.method === "post") formData.set(${JSON.stringify(ONCE)}, window.ambrekView);
  });
}`;

/** What is sent from now on is something else. */
export function anotherView(): void {
  (window as Numbered).ambrekView = uuid();
}
