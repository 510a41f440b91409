import { useState } from "react";
import { v4 as uuid } from "uuid";
import { rememberBegun, useBegun } from "../proof/begun.ts";

/**
 * The number of the calibration that goes on: the server's, or one that was begun on this device and waits, or a new one. `begin` remembers it
 * where the server has none yet.
 */
export function useCalibrationId(action: string, key: string, known: string | null) {
  const name = `calibrate ${key}`;
  const begun = useBegun(action, name);
  const [own] = useState(() => uuid());
  const id = known ?? (begun.state === "waits" ? begun.id : own);
  return {
    id,
    begin: () => {
      if (known === null) rememberBegun(action, name, id);
    },
  };
}
