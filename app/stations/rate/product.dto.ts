import { IsIn, IsUUID, Length, Matches, MaxLength, ValidateIf } from "class-validator";
import { PRODUCT_FORMS, type ProductForm } from "../../../core/yard/product.ts";
import { Reads } from "../../session/reads.ts";
import { amountOf, IsAmount } from "../../yard/amount.ts";

/** What the tool in view was filled with, or harvests: one of the yard's products. */
export class LoadProductDto {
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  @Matches(/^\d{1,9}$/, { message: "Choose a product." })
  product!: string;

  @Length(1, 60, { message: "Say who filled it." })
  person!: string;
}

/** What a dose is told in, by what it is. */
export const doseFamily = (form: string) => (form === "liquid" ? "volume per area" : "mass per area");

function doseProblem(text: string, dto: NewProductDto, unit: "doseLowUnit" | "doseHighUnit"): string | null {
  const read = amountOf(text, { family: doseFamily(dto.form), unit: dto[unit], optional: true });
  return read.ok ? null : read.problem;
}

/** A product nobody entered before. What is not known stays empty. */
export class NewProductDto {
  @Length(1, 60, { message: "Give it a name." })
  name!: string;

  @IsIn(PRODUCT_FORMS, { message: "Choose what it is." })
  form!: ProductForm;

  @IsAmount("mass per volume", true)
  density!: string;
  @MaxLength(8)
  densityUnit!: string;

  @IsAmount("grain mass", true)
  grainMass!: string;
  @MaxLength(8)
  grainMassUnit!: string;

  @IsAmount("ratio", true)
  establishment!: string;
  @MaxLength(8)
  establishmentUnit!: string;

  @Reads<NewProductDto>((text, dto) => doseProblem(text, dto, "doseLowUnit"))
  doseLow!: string;
  @MaxLength(8)
  doseLowUnit!: string;

  @Reads<NewProductDto>((text, dto) => doseProblem(text, dto, "doseHighUnit"))
  doseHigh!: string;
  @MaxLength(8)
  doseHighUnit!: string;

  @ValidateIf(({ price }: NewProductDto) => price !== "")
  @Matches(/^\d{1,6}([.,]\d{1,4})?$/, { message: "A price like 0.62, without its sign." })
  price!: string;

  @IsIn(["kg", "t", "l"], { message: "Choose for how much of it." })
  priceFor!: "kg" | "t" | "l";

  @MaxLength(6, { message: "A sign or three letters." })
  money!: string;
}

export class ChangeProductDto extends NewProductDto {
  @Matches(/^\d{1,9}$/, { message: "There is no such product." })
  product!: string;
}
