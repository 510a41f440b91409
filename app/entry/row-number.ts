/** The number of a row as a form or an address sends it. */
export const ROW_NUMBER = /^\d{1,9}$/;
/** The same; empty of a row that is to be made, or of none. */
export const ROW_NUMBER_OR_NONE = /^(\d{1,9})?$/;
