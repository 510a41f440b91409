import { useEffect, useState } from "react";

/** True once it is known that the screen is a phone's: the keypad on the page then takes the place of the system's. */
export function useSmallScreen(): boolean {
  const [small, setSmall] = useState(false);
  useEffect(() => setSmall(window.matchMedia("(max-width: 639px)").matches), []);
  return small;
}
