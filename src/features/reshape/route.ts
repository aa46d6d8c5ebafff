import { reshape } from "./manifest";

export const RESHAPE = reshape.id;

/** One tune with its versions, or the same through all modes. */
