import { IsIn, Length } from "class-validator";
import { ATTACHMENT_KEYS, type Attachment } from "../../../core/dimension/attachment.ts";
import { hangsBy, MACHINE_TYPE_KEYS, type MachineTypeKey } from "../../../core/dimension/usual.ts";
import { LENGTH_STYLES } from "../../../core/quantity/length.ts";
import { type Begun, readingsOf } from "../../../core/rig/begun.ts";
import { TOOL_KIND_KEYS, TOOL_KINDS, type ToolKindKey } from "../../../core/trade/kinds.ts";
import { Reads } from "../../session/reads.ts";

/** Engine power as people say it. */
export const POWER_UNITS = ["hp", "kW"];

/** What of the whole is wrong with one of its fields. */
const problemOf = (field: keyof Begun) => (_: string, dto: BeginDto) =>
  MACHINE_TYPE_KEYS.includes(dto.machine) &&
  TOOL_KIND_KEYS.includes(dto.tool) &&
  ATTACHMENT_KEYS.includes(dto.attachment)
    ? (readingsOf(dto).problems[field] ?? null)
    : null;

/** A rig begun on one page: what is driven, what hangs on it, and who says so. */
export class BeginDto implements Begun {
  @IsIn(MACHINE_TYPE_KEYS, { message: "Choose what you drive." })
  machine!: MachineTypeKey;

  @Length(1, 80, { message: "Say what it is called: make and model, as on its plate." })
  driven!: string;

  @Reads(problemOf("power"))
  power!: string;
  @IsIn(POWER_UNITS, { message: "Choose hp or kW." })
  powerUnit!: string;

  @IsIn(TOOL_KIND_KEYS, { message: "Choose what hangs on it." })
  tool!: ToolKindKey;

  @IsIn(ATTACHMENT_KEYS, { message: "Choose how it hangs on." })
  @Reads<BeginDto>((attachment, { machine, tool }) =>
    !MACHINE_TYPE_KEYS.includes(machine) ||
    !TOOL_KIND_KEYS.includes(tool) ||
    hangsBy(tool, machine).some((each) => each === attachment)
      ? null
      : "It does not hang on this machine so. Choose another way.",
  )
  attachment!: Attachment;

  @Length(1, 80, { message: "Say what it is called: make and model, as on its plate." })
  hung!: string;

  @Reads(problemOf("category"))
  category!: string;

  @Reads(problemOf("width"))
  width!: string;
  @IsIn(LENGTH_STYLES, { message: "Choose a unit of length." })
  widthUnit!: string;

  @Reads(problemOf("rows"))
  rows!: string;

  @Reads(problemOf("guided"))
  guided!: string;
  @Reads(problemOf("switched"))
  switched!: string;

  @Length(1, 60, { message: "Say who you are." })
  person!: string;
}
