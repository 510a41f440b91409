import { lazy } from "react";
import { Later } from "../../ui/Later.tsx";
import { CalibrationList } from "../calibrating/CalibrationList.tsx";
import { RowOfParts } from "../calibrating/RowOfParts.tsx";
import { Explorer } from "./Explorer.tsx";
import { HarvestPanel } from "./HarvestPanel.tsx";
import { ProductSection } from "./ProductSection.tsx";
import type { RateView } from "./rate-view.server.ts";
import { SeedPanel } from "./SeedPanel.tsx";
import { TankPlan } from "./TankPlan.tsx";

const DriftChart = lazy(() => import("../calibrating/DriftChart.tsx"));

type Props = {
  view: RateView;
  action: string;
  person: string;
  calibrate: (kind: string) => string;
  practise: string;
};

/** What is in the tool in view, what it is calibrated by, and what is tried and planned for it. */
export function RatePanel({ view, action, person, calibrate, practise }: Props) {
  if (view.calibrations.each.length === 0 && !view.product)
    return (
      <p id="calibrations" className="text-soft">
        This tool doses nothing and counts nothing, as far as anybody told what it is.
      </p>
    );
  return (
    <>
      {view.product && (
        <ProductSection
          key={`product ${view.product.id}`}
          view={view.product}
          action={action}
          person={person}
        />
      )}
      <CalibrationList view={view.calibrations} calibrate={calibrate} practise={practise} />
      {view.explorer && <Explorer key={JSON.stringify(view.explorer.now)} view={view.explorer} />}
      {view.tank && <TankPlan key={`tank ${view.tank.area}`} view={view.tank} />}
      {view.seed && <SeedPanel view={view.seed} />}
      {view.harvest && <HarvestPanel view={view.harvest} />}
    </>
  );
}

/** In the place of the rig's drawing, where there is something to show of its rates; null where there is not. */
export function ratePicture({ row, drifts }: RateView): React.ReactNode | null {
  if (!row && drifts.length === 0) return null;
  return (
    <div className="grid gap-4 py-2">
      {row && <RowOfParts row={row} one="nozzle" />}
      {drifts.map((drift) => (
        <Later key={drift.label} height={230} words="Drawing its history.">
          <DriftChart drift={drift} />
        </Later>
      ))}
    </div>
  );
}
