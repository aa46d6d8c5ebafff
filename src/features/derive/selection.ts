import { computed } from "nanostores";
import { $placeMode, $settings, selects } from "@/session";
import { heldSelection, holding } from "@/shell/held";
import { $derive, DERIVE } from "./route";

const { $held: $holding, hold, letGo } = holding($placeMode);
export { hold, letGo };

/** The chords that are selected, of the mode in the address; what was selected in another part of the view is not. */
export const $held = computed([$holding, $derive], (held, { show }) =>
  show === "chords" ? held : undefined,
);

selects(
  DERIVE,
  computed([$placeMode, $held, $settings], (homeMode, held, settings) =>
    heldSelection(homeMode, held, settings, settings.drone),
  ),
);
