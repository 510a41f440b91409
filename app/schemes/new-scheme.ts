/** In the address, and as the id, of a scheme nobody kept yet. */
export const NEW = "new";
