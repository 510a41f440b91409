import { useState } from "react";
import type { FieldErrors } from "../session/validate.ts";
import { toast } from "../ui/toast.ts";
import { type Kept, useKeep } from "./use-keep.ts";

type More = {
  /** what is wrong with it before it is sent, by field */
  wrongWith?: (typed: FormData) => FieldErrors;
  /** after it was kept, or waits on the device */
  done?: (came: Kept) => void;
};

/**
 * A form that is checked in the browser, sent while the page stays, or kept on the device without a connection. `label` names it where it waits.
 * What is wrong stands by its field, and the first of them has the keyboard.
 */
export function useKeptForm(action: string, label: string, { wrongWith = () => ({}), done }: More = {}) {
  const { keep, busy } = useKeep(action);
  const [errors, setErrors] = useState<FieldErrors>({});
  const refuse = (form: HTMLFormElement, wrong: FieldErrors) => {
    setErrors(wrong);
    const [first] = Object.keys(wrong);
    if (first !== undefined) form.querySelector<HTMLElement>(`[name="${CSS.escape(first)}"]`)?.focus();
  };
  const say = ({ said, undo }: Extract<Kept, { state: "kept" }>) =>
    toast("success", said, undo ? () => void keep(undo, `Undo: ${label}`) : undefined);
  const onSubmit = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const { submitter } = event.nativeEvent as SubmitEvent;
    const typed = new FormData(form, submitter);
    const wrong = wrongWith(typed);
    if (Object.keys(wrong).length > 0) return refuse(form, wrong);
    const came = await keep(typed, label);
    if (came.state === "refused") return refuse(form, came.errors);
    setErrors({});
    if (came.state === "kept" && came.said) say(came);
    done?.(came);
  };
  return { form: { method: "post" as const, action, onSubmit, noValidate: true }, busy, errors };
}
