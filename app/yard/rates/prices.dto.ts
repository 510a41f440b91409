import { Length } from "class-validator";
import { Reads } from "../../session/reads.ts";

/** "38" or "38.50"; null for an empty field, undefined where the text is neither. */
export function readMoney(text: string): number | null | undefined {
  if (text.trim() === "") return null;
  return /^\d{1,7}([.,]\d{1,4})?$/.test(text.trim()) ? Number(text.trim().replace(",", ".")) : undefined;
}

/** The text is a price, or empty where nobody knows. */
export const moneyProblem = (text: string) =>
  readMoney(text) === undefined ? "A price, as 38 or 38.50; empty where nobody knows." : null;

/** What fuel and an hour of work cost. */
export class PricesDto {
  @Reads(moneyProblem)
  fuel!: string;

  @Reads(moneyProblem)
  labour!: string;

  @Length(1, 8, { message: "In which money? EUR, or whatever you pay in." })
  money!: string;
}
