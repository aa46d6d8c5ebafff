import { computed } from "nanostores";
import { $placeMode, $settings, selects } from "@/session";
import { selectionOf, selecting } from "@/shell/selected";
import { $heardRow } from "./ladder-playing";
import { $derive, DERIVE } from "./route";

const { $selectedChords: $selecting, select, deselect } = selecting($placeMode);
export { select, deselect };

/** The chords that are selected, of the mode in the address; what was selected in another part of the view is not. */
export const $selectedChords = computed([$selecting, $derive], (selected, { show }) =>
  show === "chords" ? selected : undefined,
);

/** The mode that the view shows: the one in the address, or while several are played through, the one that is heard. */
export const $shownMode = computed([$heardRow, $placeMode], (heard, homeMode) => heard ?? homeMode);

selects(
  DERIVE,
  computed([$shownMode, $selectedChords, $settings], (homeMode, selected, settings) =>
    selectionOf(homeMode, selected, settings, settings.drone),
  ),
);
