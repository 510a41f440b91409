import { IsIn, Length } from "class-validator";
import { ATTACHMENT_KEYS, ATTACHMENTS, type Attachment } from "../../../core/dimension/attachment.ts";
import { hangsBy, MACHINE_TYPE_KEYS, type MachineTypeKey } from "../../../core/dimension/usual.ts";
import { LENGTH_STYLES } from "../../../core/quantity/length.ts";
import { type Begun, readingsOf, sectionsOf } from "../../../core/rig/begun.ts";
import { TOOL_KIND_KEYS, type ToolKindKey } from "../../../core/trade/kinds.ts";
import { Reads } from "../../session/reads.ts";
import { type FieldErrors, validateForm } from "../../session/validate.ts";

/** Engine power as people say it. */
export const POWER_UNITS = ["hp", "kW"];

/** True where what it is was chosen from what there is: until then nothing of it can be read. */
const isChosen = ({ machine, tool, attachment }: BegunToolDto) =>
  MACHINE_TYPE_KEYS.includes(machine) &&
  TOOL_KIND_KEYS.includes(tool) &&
  ATTACHMENT_KEYS.includes(attachment);

/** What of the whole is wrong with one of its fields. */
const problemOf = (field: keyof Begun) => (_: string, dto: BegunToolDto) =>
  isChosen(dto) ? (readingsOf(dto).problems[field] ?? null) : null;

/** One tool of a rig that is begun, with the machine it hangs on. */
export class BegunToolDto implements Begun {
  @IsIn(MACHINE_TYPE_KEYS, { message: "Choose what you drive." })
  machine!: MachineTypeKey;

  @Reads(problemOf("power"))
  power!: string;
  @IsIn(POWER_UNITS, { message: "Choose hp or kW." })
  powerUnit!: string;

  @IsIn(TOOL_KIND_KEYS, { message: "Choose what hangs on it." })
  tool!: ToolKindKey;

  @IsIn(ATTACHMENT_KEYS, { message: "Choose how it hangs on." })
  @Reads<BegunToolDto>((attachment, { machine, tool }) =>
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

  @Reads<BegunToolDto>((_, dto) => {
    const read = isChosen(dto) ? sectionsOf(dto) : null;
    return read && !read.ok ? read.problem : null;
  })
  sections!: string;

  @Reads(problemOf("guided"))
  guided!: string;
  @Reads(problemOf("switched"))
  switched!: string;
}

/** A rig begun on one page: what is driven, what hangs on it, and who says so. */
export class BeginDto extends BegunToolDto {
  @Length(1, 80, { message: "Say what it is called: make and model, as on its plate." })
  driven!: string;

  @Length(1, 60, { message: "Say who you are." })
  person!: string;
}

/** Fields of a second tool have this behind their name; behind that stands the unit of a quantity. */
export const SECOND = "2";
const OF_SECOND = new RegExp(`^([a-z]+)${SECOND}(Unit)?$`);

export type Beginning = { first: BeginDto; second: BegunToolDto | null };

/** The one tool or the two that were told of. */
export const toolsTold = ({ first, second }: Beginning): BegunToolDto[] => [
  first,
  ...(second ? [second] : []),
];

/** Fields both tools share: the machine's own, and what the rig is used for. */
const SHARED = ["machine", "powerUnit", "guided", "switched"];

/** What was told of the rig and of one tool or two; what is wrong with the second is told by its own fields. */
export function readBeginning(
  form: FormData,
): { ok: true; value: Beginning } | { ok: false; errors: FieldErrors } {
  const first = validateForm(BeginDto, form);
  if (form.get("several") !== "yes")
    return first.ok ? { ok: true, value: { first: first.value, second: null } } : first;
  const own = new FormData();
  for (const [name, value] of form) {
    const [, field, unit] = OF_SECOND.exec(name) ?? [];
    if (field) own.set(`${field}${unit ?? ""}`, value);
    else if (SHARED.includes(name)) own.set(name, value);
  }
  const second = validateForm(BegunToolDto, own);
  const errors: FieldErrors = {
    ...(first.ok ? {} : first.errors),
    ...(second.ok
      ? {}
      : Object.fromEntries(Object.entries(second.errors).map(([name, said]) => [name + SECOND, said]))),
  };
  if (first.ok && second.ok && sharesHitch(first.value, second.value))
    errors[`attachment${SECOND}`] = "Both hang on the same hitch. Choose another way for one of them.";
  return first.ok && second.ok && Object.keys(errors).length === 0
    ? { ok: true, value: { first: first.value, second: second.value } }
    : { ok: false, errors };
}

/** Whether two ways of hanging on take the same point of the machine. */
export function sharesHitch(a: { attachment: Attachment }, b: { attachment: Attachment }): boolean {
  return ATTACHMENTS[a.attachment].hitches[0] === ATTACHMENTS[b.attachment].hitches[0];
}
