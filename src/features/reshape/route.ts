import { RESHAPE } from "@/session";

export { RESHAPE };

/** One tune with its versions, or the same through all modes. */
export const RESHAPE_PARTS = ["melody", "modes"] as const;
