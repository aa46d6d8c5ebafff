import { computed } from "nanostores";
import { $placeMode, $settings, plainSelection, type Selection, selects } from "@/session";
import { selectionOf } from "@/shell/selected";
import { EAR_SUBJECT } from "@/words";
import { EAR } from "./exam";
import { $running } from "./running";

/** Between sittings the mode of the place; while a sitting is being fetched nothing that tells its question. */
selects(
  EAR,
  computed([$placeMode, $running, $settings], (placeMode, running, settings): Selection => {
    const shown = selectionOf(placeMode, undefined, settings, settings.drone);
    return running ? { ...plainSelection(placeMode), isHidden: true, subject: EAR_SUBJECT, said: [] } : shown;
  }),
);
