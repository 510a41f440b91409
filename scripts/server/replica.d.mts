/** Where Litestream lies; null where the optional package was not installed. */
export function litestream(): string | null;
