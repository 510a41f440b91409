import { Stethoscope } from "lucide-react";
import { useEffect, useEffectEvent } from "react";
import { Link, useLocation, useNavigate } from "react-router";

/** From any page to what one sees: on a rig's page, of that rig. */
function useWay(): string {
  const { pathname } = useLocation();
  const rig = /^\/rigs\/(\d+)/.exec(pathname)?.[1];
  return `/symptoms${rig ? `?rig=${rig}` : ""}`;
}

/** Its key, on every page. */
export function SymptomsKey() {
  const navigate = useNavigate();
  const to = useWay();
  const press = useEffectEvent((event: KeyboardEvent) => {
    const typing = (event.target as Element).closest("input, textarea, select") !== null;
    if (event.key !== "s" || typing || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    navigate(to);
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => press(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
  return null;
}

export function SymptomsWay({ className = "" }: { className?: string }) {
  return (
    <Link
      to={useWay()}
      aria-label="What do you see? Symptoms and their causes"
      title="What do you see? (s)"
      className={`grid min-h-9 min-w-9 shrink-0 place-items-center rounded-[3px] border-[1.5px] border-line no-underline max-sm:min-h-11 max-sm:min-w-11 ${className}`}
    >
      <Stethoscope size={20} aria-hidden="true" />
    </Link>
  );
}
