/** Every kind of part there is: those of the subjects, in their order. */
import type { ComponentFigure, ComponentKind } from "../yard/component.ts";
import { SUBJECTS } from "./index.ts";

/** All of them. */
export const componentKinds = (): ComponentKind[] => SUBJECTS.flatMap(({ components = [] }) => components);

/** @throws RangeError where no subject has parts of this kind */
export function componentKind(key: string): ComponentKind {
  const found = componentKinds().find((each) => each.key === key);
  if (!found) throw new RangeError(`There is no kind of part “${key}”.`);
  return found;
}

/** A figure kept of parts of this kind. @throws RangeError where none is */
export function componentFigure(kind: ComponentKind, key: string): ComponentFigure {
  const found = kind.figures.find((each) => each.key === key);
  if (!found) throw new RangeError(`There is no figure “${key}” of ${kind.label.toLowerCase()}.`);
  return found;
}
