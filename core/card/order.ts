/** In what order a terminal is set up: what comes first opens or locks what comes after. */
export const ENTRY_ORDER: readonly { step: string; why: string }[] = [
  {
    step: "Couple and plug in first",
    why: "machine, head or implement are recognised, and then lock or open their fields",
  },
  { step: "Client, farm, field", why: "boundary and lines belong to the field" },
  { step: "Machine", why: "receiver and hitch, once for all its implements" },
  { step: "Implement", why: "lengths, width, sections of the variant that is mounted" },
  { step: "Operation", why: "what is recorded, and what triggers the recording" },
  { step: "Crop and variety", why: "so that the record can be told apart later" },
  { step: "Rate", why: "not zero, and of the product that is in the tank" },
  { step: "Line", why: "last: its spacing is the implement's, which was set before" },
];
