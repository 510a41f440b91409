import { useEffect, useState } from "react";

const SMALL = "(max-width: 639px)";

/** True once it is known that the screen is a phone's, and while it is: the keypad on the page then takes the place of the system's. */
export function useSmallScreen(): boolean {
  const [small, setSmall] = useState(false);
  useEffect(() => {
    const query = window.matchMedia(SMALL);
    const look = () => setSmall(query.matches);
    look();
    query.addEventListener("change", look);
    return () => query.removeEventListener("change", look);
  }, []);
  return small;
}
