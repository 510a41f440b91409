import { Link } from "react-router";

/** What stands over a page that is made to be printed: print it, what else can be done with it, and the way back. Not on the paper. */
export function PrintKeys({
  back,
  backTo,
  children,
}: {
  back: string;
  /** "the card" */
  backTo: string;
  children?: React.ReactNode;
}) {
  return (
    <p className="no-print flex flex-wrap gap-2">
      <button type="button" className="key-main" onClick={() => window.print()}>
        Print
      </button>
      {children}
      <Link className="key" to={back}>
        Back to {backTo}
      </Link>
    </p>
  );
}
