import { derive } from "./derive/manifest";
import { ear } from "./ear/manifest";
import { identify } from "./identify/manifest";
import { log } from "./log/manifest";
import { match } from "./match/manifest";
import { reshape } from "./reshape/manifest";

/**
 * The views in the order of the work, as pages, the server, tests and pictures know them: nothing here draws or computes. Another view is
 * its folder and a line.
 */
export const VIEWS = [derive, match, identify, reshape, ear, log] as const;
