import type { Playing } from "@/audio";
import { playingOf } from "./performing";
import { mainHeard } from "./play";

/** What Play would let be heard from the start, for files. */
export const mainPlaying = (): Playing => playingOf(mainHeard);
