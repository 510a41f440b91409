import { IsIn, Length, Matches, MaxLength } from "class-validator";
import { FUNCTION_KIND_KEYS, type FunctionKindKey } from "../../../core/subjects/hoses/kinds.ts";
import { PHASE_KEYS, type PhaseKey } from "../../../core/trade/phases.ts";
import { PLACES, type Place, SOCKETS, USES, type Use } from "../../../core/yard/circuit.ts";
import { ROW_NUMBER, ROW_NUMBER_OR_NONE } from "../../entry/row-number.ts";
import { IsAmount } from "../amount.ts";

const TICK = /^(on)?$/;

/** What a tractor gives besides its remotes. */
export class SupplyDto {
  @IsAmount("flow", true)
  pumpFlow!: string;
  @MaxLength(8)
  pumpFlowUnit!: string;

  @IsAmount("pressure", true)
  pressure!: string;
  @MaxLength(8)
  pressureUnit!: string;

  @IsAmount("volume", true)
  spareOil!: string;
  @MaxLength(8)
  spareOilUnit!: string;

  @Matches(/^([1-9]\d?)?$/, { message: "The number of a remote, or nothing." })
  mainLever!: string;

  @Matches(TICK)
  freeReturn!: string;
  @Matches(TICK)
  powerBeyond!: string;
  @Matches(TICK)
  loadSensing!: string;
}

export class RemoteDto {
  @Matches(ROW_NUMBER_OR_NONE, { message: "There is no such remote." })
  remote!: string;

  @Matches(/^[1-9]\d?$/, { message: "Its number on the tractor: 1 to 99." })
  number!: string;

  @MaxLength(40, { message: "Keep the lever's name under 40 characters." })
  lever!: string;

  @IsIn(["double", "single"], { message: "Choose double- or single-acting." })
  action!: "double" | "single";

  @IsAmount("flow", true)
  flow!: string;
  @MaxLength(8)
  flowUnit!: string;

  @IsIn(PLACES, { message: "Choose where its couplings are." })
  place!: Place;

  @MaxLength(30, { message: "Keep the coupling's name under 30 characters." })
  coupling!: string;

  @Matches(TICK)
  float!: string;
  @Matches(TICK)
  detent!: string;
  @Matches(TICK)
  timed!: string;
  @Matches(TICK)
  automatic!: string;
}

export class FunctionDto {
  @Matches(ROW_NUMBER, { message: "There is no such function." })
  function!: string;

  @Length(1, 40, { message: "Name it, as on its hoses." })
  name!: string;

  @IsIn(["double", "single", "motor"], { message: "Choose what it is." })
  action!: "double" | "single" | "motor";

  @IsIn(PLACES, { message: "Choose where its hoses reach." })
  place!: Place;

  @MaxLength(30, { message: "Keep the coupling's name under 30 characters." })
  coupling!: string;

  @MaxLength(40, { message: "Keep it under 40 characters." })
  tap!: string;

  @IsAmount("flow", true)
  flow!: string;
  @MaxLength(8)
  flowUnit!: string;

  @IsAmount("pressure", true)
  pressure!: string;
  @IsAmount("pressure", true)
  charge!: string;
  @MaxLength(8)
  pressureUnit!: string;
  @MaxLength(8)
  chargeUnit!: string;

  @IsAmount("length", true)
  bore!: string;
  @IsAmount("length", true)
  rod!: string;
  @IsAmount("length", true)
  stroke!: string;
  @MaxLength(8)
  boreUnit!: string;
  @MaxLength(8)
  rodUnit!: string;
  @MaxLength(8)
  strokeUnit!: string;

  @Matches(/^([1-9]\d?)?$/, { message: "How many cylinders: 1 to 99." })
  cylinders!: string;

  @IsAmount("displacement", true)
  displacement!: string;
  @MaxLength(8)
  displacementUnit!: string;

  @IsAmount("rotation", true)
  speed!: string;
  @MaxLength(8)
  speedUnit!: string;

  @Matches(TICK)
  caseDrain!: string;
  @Matches(TICK)
  automatic!: string;
  @Matches(TICK)
  trigger!: string;
  @Matches(TICK)
  lockable!: string;
}

export type UsesTyped = Record<`use-${PhaseKey}`, Use | "">;

for (const key of PHASE_KEYS)
  IsIn(["", ...USES], { message: "Choose what it does then." })(FunctionDto.prototype, `use-${key}`);

/** A function begins with what its kind usually has. */
export class NewFunctionDto {
  @IsIn(FUNCTION_KIND_KEYS, { message: "Choose what it does." })
  kind!: FunctionKindKey;
}

export class RemoteRowDto {
  @Matches(ROW_NUMBER, { message: "There is no such remote." })
  remote!: string;
}

export class FunctionRowDto {
  @Matches(ROW_NUMBER, { message: "There is no such function." })
  function!: string;
}

export class MoveFunctionDto extends FunctionRowDto {
  @IsIn(["up", "down"], { message: "Say which way." })
  way!: "up" | "down";
}

/** Which sockets are there, each under its own name. */
export class SocketsDto {}
export type SocketsTyped = Record<`socket ${(typeof SOCKETS)[number]}`, "on" | "">;

for (const socket of SOCKETS) {
  Matches(TICK)(SocketsDto.prototype, `socket ${socket}`);
  Matches(TICK)(SupplyDto.prototype, `socket ${socket}`);
}
