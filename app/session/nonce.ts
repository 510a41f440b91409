import { createContext } from "react";

/** The response's script nonce, so that only scripts this server wrote are run. */
export const Nonce = createContext<string | undefined>(undefined);
