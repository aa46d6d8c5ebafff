import { type Feature, installFeatures } from "@/session";
import { derive } from "./derive";
import { ear } from "./ear";
import { identify } from "./identify";
import { log } from "./log";
import { match } from "./match";
import { reshape } from "./reshape";

/** The views in the order of the work. Another one is its folder and a line here. */
const FEATURES: readonly Feature[] = [derive, match, identify, reshape, ear, log];

installFeatures(FEATURES);
