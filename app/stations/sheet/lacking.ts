/** The sheet of what the card still stops for, by its key in an address. */
export const LACKING = "card";
