import { registerDecorator, type ValidationArguments } from "class-validator";

/** The property's text reads without a problem; `read` gives the problem, or null. */
export function Reads<T extends object>(read: (text: string, dto: T, property: string) => string | null) {
  const problem = (text: unknown, { object, property }: ValidationArguments) =>
    read(typeof text === "string" ? text : "", object as T, property);
  return (target: object, propertyName: string) =>
    registerDecorator({
      name: "reads",
      target: target.constructor,
      propertyName,
      validator: {
        validate: (text, args) => problem(text, args!) === null,
        defaultMessage: (args) => problem(args!.value, args!) ?? "",
      },
    });
}
