import { Send } from "../ui/Send.tsx";
import { useKeptForm } from "./use-kept-form.ts";
import { Who } from "./Who.tsx";

type Props = {
  action: string;
  /** who does it; asked for where this device does not know */
  person: string;
  /** as it waits on the device */
  label: string;
  /** what is sent */
  fields: Readonly<Record<string, string>>;
  /** what is said, and sent besides, over the key */
  over?: React.ReactNode;
  main?: boolean;
  /** after it was kept, or waits on the device */
  done?: () => void;
  /** on the key */
  children: React.ReactNode;
};

/** A form of one key. */
export function OnePress({
  action,
  person,
  label,
  fields,
  over,
  main = false,
  done = () => {},
  children,
}: Props) {
  const { form, busy, errors } = useKeptForm(action, label, { done });
  const { person: who, ...others } = errors;
  const [problem] = Object.values(others);
  const known = person !== "";
  return (
    <form {...form} className="grid gap-1">
      {Object.entries(fields).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {over}
      <div className="flex flex-wrap items-end gap-2">
        <Who person={person} problem={who} />
        <Send busy={busy} className={main ? "key-main" : "key"}>
          {children}
        </Send>
      </div>
      {(problem ?? (known && who)) && <p className="problem">{problem ?? who}</p>}
    </form>
  );
}
