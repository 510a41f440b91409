/** What is said once at the edge of the page, and goes by itself. Its package is loaded once the page stands. */
import { type ComponentType, lazy } from "react";
import type { ToasterProps } from "sonner";

const load = () => import("sonner");

export const Toaster = lazy<ComponentType<ToasterProps>>(async () => {
  try {
    return { default: (await load()).Toaster };
  } catch {
    return { default: () => null };
  }
});

type Kind = "message" | "success" | "warning" | "error";

/** Says a text, with a way to undo what it tells of. Where the connection broke before the package came, nothing is said. */
export async function toast(kind: Kind, text: string, undo?: () => void): Promise<void> {
  const loaded = await load().catch(() => null);
  loaded?.toast[kind](text, undo ? { action: { label: "Undo", onClick: undo } } : {});
}
