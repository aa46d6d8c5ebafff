import { useStore } from "@nanostores/react";
import { useState } from "react";
import {
  type FingeredShape,
  type Fingering,
  GUITAR,
  movedTo,
  printFingering,
  readFingering,
  shapeOf,
  type Tuning,
} from "@/core/instrument";
import { type Chord, readSymbol, rightPlaceNear, type ShapePlace, shapesOver } from "@/core/chord";
import type { Interval } from "@/core/pitch";
import { brightness, type HomeMode, type Mode } from "@/core/scale";
import { $tuning } from "@/session";
import { chordShape } from "./shape-document";
import { TextField, Toggle } from "@/kit/controls";
import { type SelectedChords, SelectButton } from "@/shell/selected";
import { shadeOf } from "@/kit/shade";
import { degreeText, modeText, noteText, placeText, rightPlacesText, shapeRefusedText } from "@/words";
import { FretPicker } from "./FretPicker";
import table from "@/kit/controls/Table.module.css";
import styles from "./OneShape.module.css";

interface OneShapeProps {
  readonly homeMode: HomeMode;
  readonly selected: SelectedChords | undefined;
  readonly onSelect: (selected: SelectedChords) => void;
  readonly onMode: (mode: Mode) => void;
}

/** A shape as it was typed: a fingering of the selected strings, or a chord's quality. */
function readShape(
  text: string,
  tuning: Tuning,
): { readonly tones: readonly Interval[]; readonly fingered?: FingeredShape } | undefined {
  const frets = readFingering(text, tuning.strings.length);
  if (frets) {
    const fingered = shapeOf(tuning, frets);
    return { tones: fingered.tones, fingered };
  }
  const reading = readSymbol(`C${text.trim()}`);
  return "chord" in reading && reading.chord.bass === undefined ? { tones: reading.chord.tones } : undefined;
}

/** One chord quality, or one real fingering, moved to all twelve places over the home note as bass. */
export function OneShape({ homeMode, selected, onSelect, onMode }: OneShapeProps) {
  const { text: typed } = useStore(chordShape.$value);
  const tuning = useStore($tuning) ?? GUITAR;
  const [isOpen, setOpen] = useState(false);
  // One note alone is no shape yet, so what is clicked is kept until it is one.
  const [clicked, setClicked] = useState<Fingering>();
  const { home, mode } = homeMode;
  const shape = readShape(typed, tuning) ?? { tones: shapeTones(typed, tuning) };
  const places = shapesOver(home, shape.tones, mode);
  return (
    <section className={styles.shape}>
      <p className={styles.asked}>
        <span>Move</span>
        <TextField
          label="The shape: a kind of chord, or frets from the lowest string"
          value={typed}
          width={12}
          size="small"
          suggestions={["maj9", "maj7", "m7", "m9", "7sus4", "add9", "x 7 5 7 7 x", "x 3 2 0 1 0"]}
          onCommit={(text) => {
            if (!readShape(text, tuning)) return shapeRefusedText(text, tuning.strings.length);
            setClicked(undefined);
            chordShape.change({ text: text.trim() });
            return undefined;
          }}
        />
        <Toggle isOn={isOpen} onChange={setOpen}>
          Click it on a neck
        </Toggle>
        {`over ${noteText(home)}. ${rightPlacesText(places, homeMode)}`}
      </p>
      {isOpen && (
        <FretPicker
          tuning={tuning}
          frets={clicked ?? shape.fingered?.frets}
          onPick={(frets) => {
            setClicked(frets);
            if (readShape(printFingering(frets), tuning)) chordShape.change({ text: printFingering(frets) });
          }}
        />
      )}
      <div className={styles.places}>
        <table className={table.table}>
          <thead>
            <tr>
              <th scope="col">From</th>
              <th scope="col">Spells</th>
              <th scope="col">On the bass</th>
              <th scope="col">Makes</th>
              <th scope="col">Modes that contain it</th>
              {shape.fingered && <th scope="col">Frets</th>}
            </tr>
          </thead>
          <tbody>
            {places.map((place, at) => {
              const { root, tones, degrees, modes, outside, name } = place;
              const over: Chord = { root, tones: tones.map((tone) => tone - root), optional: [], bass: home };
              return (
                <tr key={root} data-outside={outside.length > 0 || undefined}>
                  <th scope="row">
                    <SelectButton what={{ chords: [over] }} selected={selected} onSelect={onSelect}>
                      {noteText(root)}
                    </SelectButton>
                  </th>
                  <td>{tones.map(noteText).join(" ")}</td>
                  <td>{degrees.map(degreeText).join(" ")}</td>
                  <td data-makes>
                    {outside.length === 0 ? (
                      <SelectButton what={{ chords: [name] }} selected={selected} onSelect={onSelect} />
                    ) : (
                      <Wrong places={places} at={at} />
                    )}
                  </td>
                  <td className={styles.modes}>
                    {modes.length === 0 ? (
                      "none"
                    ) : (
                      <>
                        {modes.slice(0, MODES).map((each) => (
                          <button
                            key={each.id}
                            type="button"
                            className={styles.mode}
                            data-shade={shadeOf(brightness(each.intervals))}
                            aria-pressed={each === mode}
                            onClick={() => onMode(each)}
                          >
                            {modeText(each)}
                          </button>
                        ))}
                        {modes.length > MODES && (
                          <span title={modes.map(modeText).join(", ")}>{`and ${modes.length - MODES}`}</span>
                        )}
                      </>
                    )}
                  </td>
                  {shape.fingered && (
                    <td className={styles.frets}>{printFingering(movedTo(shape.fingered, root))}</td>
                  )}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** How many modes a place names before the rest are counted. */
const MODES = 3;

/** What falls outside at a wrong place, and which place is right. */
function Wrong({ places, at }: { readonly places: readonly ShapePlace[]; readonly at: number }) {
  const place = places[at];
  const right = rightPlaceNear(places, at);
  if (!place) return null;
  return (
    <>
      {placeText(place)}
      {right && <span className={styles.right}>{`; ${noteText(right.root)} is right`}</span>}
    </>
  );
}

/** The shape that a text names, as intervals from its root: a ninth chord where it names none. */
export function shapeTones(typed: string, tuning: Tuning): readonly Interval[] {
  return readShape(typed, tuning)?.tones ?? [0, 4, 1, 5, 2];
}
