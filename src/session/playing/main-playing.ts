import type { Playing } from "@/audio";
import { mainHeard } from "./main-score";
import { playingOf } from "./performing";

/** What Play would let be heard from the start, for files. */
export const mainPlaying = (): Playing => playingOf(mainHeard);
