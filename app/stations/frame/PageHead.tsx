import { Link } from "react-router";

type Props = {
  title: string;
  /** what the page is for, in a line or two */
  children: React.ReactNode;
  /** the page it belongs to */
  back?: { to: string; label: string };
  /** of the line, as where a phone hides it */
  lead?: string;
};

/** What a page of a rig begins with: the way back, its name, what it is for. */
export function PageHead({ title, back, lead = "", children }: Props) {
  return (
    <div>
      {back && (
        <Link to={back.to} className="flex min-h-11 items-center font-semibold">
          {back.label}
        </Link>
      )}
      <h1>{title}</h1>
      <p className={`text-lead text-soft ${lead}`}>{children}</p>
    </div>
  );
}
