import { computed } from "nanostores";
import { $placeMode, $settings, selects } from "@/session";
import { selectionOf, selecting } from "@/shell/selected";
import { $derive, DERIVE } from "./route";

const { $selectedChords: $selecting, select, deselect } = selecting($placeMode);
export { select, deselect };

/** The chords that are selected, of the mode in the address; what was selected in another part of the view is not. */
export const $selectedChords = computed([$selecting, $derive], (selected, { show }) =>
  show === "chords" ? selected : undefined,
);

selects(
  DERIVE,
  computed([$placeMode, $selectedChords, $settings], (homeMode, selected, settings) =>
    selectionOf(homeMode, selected, settings, settings.drone),
  ),
);
