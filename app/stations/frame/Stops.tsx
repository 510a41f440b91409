import { Link } from "react-router";
import type { CommonView } from "../judging/station-view.ts";

type Props = {
  count: number;
  elsewhere: CommonView["elsewhere"];
  /** machines of it that are not there */
  away: number;
};

/** How many stops keep the rig off the field, and where the others are. */
export function Stops({ count, elsewhere, away }: Props) {
  if (count === 0 && away > 0)
    return <strong className="font-[650] text-stop">This rig is not whole: see above.</strong>;
  if (count === 0) return <strong className="font-[650] text-ok">Nothing stops this rig.</strong>;
  return (
    <>
      <strong className="font-[650] text-stop">
        {count} {count === 1 ? "stop keeps" : "stops keep"} this rig off the field.
      </strong>
      {elsewhere && (
        <>
          {" "}
          <Link to={elsewhere.href} className="text-dye">
            {count === 1 ? "It is" : elsewhere.stops === count ? "They are" : `${elsewhere.stops} of them`} at{" "}
            {elsewhere.label}
          </Link>
        </>
      )}
    </>
  );
}
