/** What may be sent to a station: the same classes check it in the browser and on the server. */
import {
  IsIn,
  IsUUID,
  Length,
  MaxLength,
  registerDecorator,
  type ValidationArguments,
} from "class-validator";
import {
  DIMENSION_KEYS,
  type DimensionKey,
  dimension,
  isDimensionKey,
} from "../../core/dimension/catalogue.ts";
import { parseEntry } from "../../core/dimension/entry.ts";
import { UNIT_SYSTEMS, type UnitSystem } from "../../core/quantity/units.ts";
import { INSTRUMENTS, type Instrument } from "../../core/rig/grade.ts";
import { parseSections } from "../../core/rig/sections.ts";

/** The property's text reads without a problem; `read` gives the problem, or null. */
function Reads<T extends object>(read: (text: string, dto: T) => string | null) {
  const problem = (text: unknown, { object }: ValidationArguments) =>
    read(typeof text === "string" ? text : "", object as T);
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

function readingProblem(text: string, { dimension: key, system }: KeepReadingDto): string | null {
  if (!isDimensionKey(key)) return null;
  const read = parseEntry(dimension(key), text, system);
  return read.ok ? null : read.problem;
}

class StampedDto {
  @IsIn(UNIT_SYSTEMS, { message: "Choose metres or feet and inches." })
  system!: UnitSystem;

  @IsIn(INSTRUMENTS, { message: "Say what the value was come by with." })
  instrument!: Instrument;

  @Length(1, 60, { message: "Say who read it." })
  person!: string;
}

export class KeepReadingDto extends StampedDto {
  @IsIn(DIMENSION_KEYS, { message: "There is no such reading." })
  dimension!: DimensionKey;

  @Reads(readingProblem)
  text!: string;

  /** wanted where a lower grade shall displace a higher one; the server asks for it */
  @MaxLength(200, { message: "Keep the reason under 200 characters." })
  reason!: string;
}

export class KeepSectionsDto extends StampedDto {
  @Reads<KeepSectionsDto>((text, { system }) => {
    const read = parseSections(text, system);
    return read.ok ? null : read.problem;
  })
  text!: string;
}

export class TakeBackDto {
  @IsUUID(undefined, { message: "There is no such reading." })
  id!: string;
}
