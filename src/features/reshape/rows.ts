import { atom, computed } from "nanostores";
import { ladder, type LadderWay, type Rung } from "@/core/reshape";
import { excerptOf, type Tune } from "@/core/tune";
import { toFollow } from "@/audio";
import { $mark, $place, $playing, placeOf, toggle } from "@/session";
import { $found, $recipe, $tune, fromOf } from "./reshaped";
import { RESHAPE } from "./route";

/** The order of the modes, how many bars of the tune go through them, and whether whoever listens sings them. */
export const $way = atom<LadderWay>("parallel");
export const $bars = atom(4);
export const $isSung = atom(false);

/** The mode that was pressed, by its id. */
const $chosenMode = atom<string | undefined>();

export const chooseRung = ({ homeMode }: Rung): void => $chosenMode.set(homeMode.mode.id);

/** The name under which the tune is played through all modes; one row alone has the mode's id behind it. */
const LADDER = "reshape-ladder";
const oneName = ({ homeMode }: Rung): string => `${LADDER} ${homeMode.mode.id}`;

const $from = computed([$recipe, $found], (recipe, found) => found && fromOf(recipe, found));

/** The beginning of the melody, which goes through the modes. */
const $phrase = computed(
  [$tune, $bars],
  (tune, bars): Tune | undefined =>
    tune && { ...excerptOf(tune, { from: 0, to: Math.min(bars, tune.bars.length) - 1 }), chords: [] },
);

/** The melody in each mode of the family. */
export const $rungs = computed([$phrase, $from, $way], (phrase, from, way): readonly Rung[] =>
  phrase && from ? ladder(phrase, from, way) : [],
);

/** The row that was pressed, or that of the tune's own mode. */
const $chosenRung = computed(
  [$rungs, $chosenMode, $from],
  (rungs, chosen, from): Rung | undefined =>
    rungs.find(({ homeMode }) => homeMode.mode.id === chosen) ??
    rungs.find(({ homeMode }) => homeMode.mode === from?.mode) ??
    rungs[0],
);

/** What sounds: all rows, one of them, or none. */
export const $heardRows = computed([$playing, $chosenRung], (playing, rung) =>
  playing === LADDER ? "all" : rung && playing === oneName(rung) ? "one" : undefined,
);

/** The row in front, which follows what is played, and the note in it that sounds. */
export const $current = computed(
  [$rungs, $chosenRung, $heardRows, $mark],
  (rungs, chosen, heard, mark): { readonly rung: Rung; readonly note: number | undefined } | undefined => {
    // Every row has as many notes, and a mark at each.
    const count = Math.max(1, rungs[0]?.tune.notes.length ?? 0);
    const isHeard = heard !== undefined && mark !== undefined;
    const rung = isHeard && heard === "all" ? rungs[Math.floor(mark / count)] : chosen;
    return rung && { rung, note: isHeard ? mark % count : undefined };
  },
);

/** The mode of the row in front, while the rows are shown. */
export const $rowMode = computed([$current, $place], (current, place) =>
  placeOf(RESHAPE, place).part === "modes" ? current?.rung.homeMode : undefined,
);

/** Plays all rows, or one. */
export function hearRows(which: "all" | Rung): void {
  const rows = which === "all" ? $rungs.get() : [which];
  toggle(
    which === "all" ? LADDER : oneName(which),
    toFollow(
      rows.map(({ tune, homeMode: { home } }) => ({ tune, home })),
      $isSung.get(),
    ),
  );
}
