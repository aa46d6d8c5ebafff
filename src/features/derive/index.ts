import { lazy } from "react";
import { fifthsOf } from "@/core/pitch";
import { characteristicSwap, mode } from "@/core/scale";
import { swapScore } from "@/audio";
import { type Feature, goTo, modeQuestion, savedOpener, SWAP, toggle } from "@/session";
import { homeModeText, DERIVE_ABOUT, DERIVE_HELP, DERIVE_FIRST } from "@/words";
import { DERIVE, SHOWS } from "./route";
import { scaleSteps } from "./scale-steps";

export const derive: Feature = {
  id: DERIVE,
  name: "Derive",
  about: DERIVE_ABOUT,
  help: DERIVE_HELP,
  firstStep: {
    text: DERIVE_FIRST,
    go: () => {
      const homeMode = { home: fifthsOf("D"), mode: mode("dorian") };
      const swap = characteristicSwap(homeMode.mode);
      goTo(DERIVE, { ...homeMode, part: "modes" });
      if (swap) toggle(SWAP, swapScore(homeMode, swap.from, swap.to));
    },
  },
  parts: SHOWS,
  View: lazy(() => import("./DeriveView").then(({ DeriveView }) => ({ default: DeriveView }))),
  undoes: (part) => (part === "ask" ? modeQuestion : part === "make" ? scaleSteps : undefined),
  files: { kinds: ["scala"], part: "make" },
  saved: [
    savedOpener({
      kind: "mode",
      plural: "Modes",
      line: ({ home, mode: id }) => homeModeText({ home: fifthsOf(home), mode: mode(id) }),
      open: ({ home, mode: id }) => goTo(DERIVE, { home: fifthsOf(home), mode: mode(id) }),
    }),
    savedOpener({
      kind: "words",
      plural: "Your words for modes",
      line: ({ tune }) => tune,
      open: ({ mode: id }) => goTo(DERIVE, { mode: mode(id) }),
    }),
  ],
};
