import { fifthsOf } from "@/core/pitch";
import { characteristicSwap, mode } from "@/core/scale";
import { swapScore } from "@/audio";
import { later } from "@/kit/later";
import { type Feature, goTo, savedOpener, SWAP, toggle } from "@/session";
import { modeQuestion } from "./question-document";
import { homeModeText, DERIVE_HELP } from "@/words";
import { DERIVE } from "./route";
import { scaleSteps } from "./scale-steps";
import { derive } from "./manifest";

export const feature: Feature = {
  ...derive,
  help: DERIVE_HELP,
  firstStep: () => {
    const homeMode = { home: fifthsOf("D"), mode: mode("dorian") };
    const swap = characteristicSwap(homeMode.mode);
    goTo(DERIVE, { ...homeMode, part: "modes" });
    if (swap) toggle(SWAP, swapScore(homeMode, swap.from, swap.to));
  },
  View: later(() => import("./DeriveView").then(({ DeriveView }) => DeriveView)),
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
