import { type ComponentType, memo, useState } from "react";
import {
  CHORD_KINDS,
  type Chord,
  chordNames,
  diatonicChords,
  FOURTH_COUNTS,
  fourthStacks,
  fullChord,
  fullChordSuffix,
  reducedChord,
  chordPairs,
} from "@/core/chord";
import { vamps } from "@/core/progression";
import type { Interval } from "@/core/pitch";
import type { HomeMode } from "@/core/scale";
import { setPlace } from "@/session";
import { useWording } from "@/session/settings/useConventions";
import { Choice, HomeField } from "@/kit/controls";
import {
  CHORD_KIND_TEXT,
  chordText,
  degreeText,
  fifthsText,
  homeModeText,
  inTitle,
  listText,
  modeText,
  noteText,
  notesText,
  numberText,
  romanText,
  sizeText,
  NO_STACK,
} from "@/words";
import { type SelectedChords, SelectButton } from "@/shell/selected";
import { OneShape } from "@/shell/shape";
import view from "@/shell/frame/View.module.css";
import table from "@/kit/controls/Table.module.css";
import styles from "./ChordsShow.module.css";

const PARTS = [
  ["thirds", "In thirds"],
  ["home", "Home chord and vamps"],
  ["shared", "Chord pairs"],
  ["fourths", "In fourths"],
  ["shape", "Slash chords over one bass"],
] as const;
type PartName = (typeof PARTS)[number][0];

interface ChordsProps {
  readonly homeMode: HomeMode;
  readonly selected: SelectedChords | undefined;
  readonly onSelect: (selected: SelectedChords) => void;
}

interface ChordsShowProps extends ChordsProps {
  /** The mode whose chords are laid out: they follow the sentence as soon as there is time. */
  readonly settled?: HomeMode;
}

/** The chords that a mode gives, five ways. */
export function ChordsShow({ homeMode, settled = homeMode, selected, onSelect }: ChordsShowProps) {
  const [part, setPart] = useState<PartName>("thirds");
  const Shown = SHOWN[part];
  return (
    <>
      <div className={view.sentence}>
        <h1 className="visually-hidden">{`The chords of ${homeModeText(homeMode)}`}</h1>
        <span>The chords of</span>
        <HomeField label="Home" value={homeMode.home} onChange={(home) => setPlace({ home })} />
        <strong>{inTitle(modeText(homeMode.mode))}</strong>
      </div>
      <div className={styles.parts}>
        <Choice
          label="Which chords"
          value={part}
          onChange={setPart}
          options={PARTS.map(([value, text]) => ({ value, text }))}
        />
      </div>
      <div className={styles.chords} role="region" aria-label="Chords">
        <Shown homeMode={settled} selected={selected} onSelect={onSelect} />
      </div>
    </>
  );
}

/** Triads to thirteenths on each degree. */
function InThirds({ homeMode, selected, onSelect }: ChordsProps) {
  return (
    <table className={table.table}>
      <thead>
        <tr>
          <th scope="col">Degree</th>
          {CHORD_KINDS.map((kind) => (
            <th key={kind} scope="col">
              {CHORD_KIND_TEXT[kind]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {diatonicChords(homeMode).map(({ degree, chords, roman }) => (
          <tr key={degree}>
            <th scope="row">{romanText(roman)}</th>
            {CHORD_KINDS.map((kind) => (
              <td key={kind}>
                {chords[kind] ? (
                  <SelectButton what={{ chords: [chords[kind]] }} selected={selected} onSelect={onSelect} />
                ) : (
                  "–"
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** How many vamps are listed. */
const VAMPS = 10;

/** The one chord that says it all, with its fifths measured, and the two-chord vamps, best first. */
function HomeChord({ homeMode, selected, onSelect }: ChordsProps) {
  const { home, mode } = homeMode;
  const { tones, fifths } = fullChord(mode);
  const reduced = reducedChord(mode);
  const whole: Chord = { root: home, tones, optional: [] };
  const saved: Chord = { root: home, tones: reduced, optional: [] };
  const note = (tone: Interval) => noteText(home + tone);
  const left = tones.filter((tone) => !reduced.includes(tone));
  return (
    <div className={styles.two}>
      <section className={styles.section}>
        <h2>The mode as one chord</h2>
        <p>
          <SelectButton what={{ chords: [whole] }} selected={selected} onSelect={onSelect}>
            {noteText(home) + fullChordSuffix(mode, "signs")}
          </SelectButton>{" "}
          {notesText(tones.map((tone) => home + tone))}
        </p>
        {fifths.length > 0 && (
          <>
            <p>{`Stacked in thirds, ${fifthsText(fifths)}:`}</p>
            <ol className={styles.fifths}>
              {fifths.map((off, at) => (
                <li key={tones[at]} data-off={off !== 0 || undefined}>
                  {`${note(tones[at] ?? 0)}–${note(tones[(at + 2) % 7] ?? 0)} ${sizeText(1 + 7 * off)}`}
                </li>
              ))}
            </ol>
          </>
        )}
        {left.length > 0 && (
          <p>
            On six strings{" "}
            <SelectButton what={{ chords: [saved] }} selected={selected} onSelect={onSelect}>
              {reduced.map(note).join(" ")}
            </SelectButton>{" "}
            {`without ${listText(left.map(note))}.`}
          </p>
        )}
      </section>
      <section className={styles.section}>
        <h2>Two chords back and forth, best vamp first</h2>
        <ol className={styles.list}>
          {vamps(homeMode)
            .slice(0, VAMPS)
            .map(({ chords }) => (
              <li key={chords.map(chordText).join()}>
                <SelectButton what={{ chords }} selected={selected} onSelect={onSelect} />
              </li>
            ))}
        </ol>
      </section>
    </div>
  );
}

/** Pairs of easy chords whose notes together are the mode. */
function ChordPairRows({ homeMode, selected, onSelect }: ChordsProps) {
  return (
    <section className={styles.section}>
      <h2>Two easy chords that make the mode</h2>
      <ol className={styles.list}>
        {chordPairs(homeMode, 14).map(({ chords, missing }) => (
          <li key={chords.map(chordText).join()}>
            <SelectButton what={{ chords }} selected={selected} onSelect={onSelect} />
            <span className={styles.aside}>
              {missing.length === 0
                ? `all ${numberText(homeMode.mode.intervals.length)} notes`
                : `all but ${listText(missing.map((degree) => `${noteText(homeMode.home + degree)} (${degreeText(degree)})`))}`}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Stacks of three, four and five fourths from each degree. */
function InFourths({ homeMode, selected, onSelect }: ChordsProps) {
  const { home, mode } = homeMode;
  return (
    <div className={styles.three}>
      {FOURTH_COUNTS.map((count) => {
        const stacks = fourthStacks(mode, count);
        return (
          <section key={count} className={styles.section}>
            <h2>{`${numberText(count)} notes`}</h2>
            {stacks.length === 0 && <p>{NO_STACK}</p>}
            <ul className={styles.list}>
              {stacks.map(({ degree, notes, perfect }) => {
                const voiced = notes.map((note) => home + note);
                const [chord] = chordNames(voiced);
                return chord ? (
                  <li key={degree}>
                    <SelectButton what={{ chords: [chord], voiced }} selected={selected} onSelect={onSelect}>
                      {notesText(voiced)}
                    </SelectButton>
                    <span className={styles.aside}>{perfect ? "perfect" : ""}</span>
                  </li>
                ) : null;
              })}
            </ul>
          </section>
        );
      })}
    </div>
  );
}

/** One chord quality, or one real fingering, moved to all twelve places over the home note as bass. */
function OneShapeOver({ homeMode, selected, onSelect }: ChordsProps) {
  return (
    <OneShape
      homeMode={homeMode}
      selected={selected}
      onSelect={onSelect}
      onMode={(mode) => setPlace({ mode })}
    />
  );
}

/** A part that is drawn anew when its mode changes, or what notes are called, and not before. */
const settledPart = (Part: ComponentType<ChordsProps>) =>
  memo(function SettledPart(props: ChordsProps) {
    useWording();
    return <Part {...props} />;
  });

const SHOWN: Readonly<Record<PartName, ComponentType<ChordsProps>>> = {
  thirds: settledPart(InThirds),
  home: settledPart(HomeChord),
  shared: settledPart(ChordPairRows),
  fourths: settledPart(InFourths),
  shape: settledPart(OneShapeOver),
};
