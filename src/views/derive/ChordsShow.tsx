import { useStore } from "@nanostores/react";
import { memo, useState } from "react";
import {
  GUITAR,
  type FingeredShape,
  movedTo,
  printFingering,
  readFingering,
  shapeOf,
  type Tuning,
} from "@/core/instrument";
import {
  CHORD_KINDS,
  type Chord,
  chordNames,
  diatonicChords,
  FOURTH_COUNTS,
  fourthStacks,
  fullChord,
  fullChordSuffix,
  readSymbol,
  reducedChord,
  shapesOver,
  sharedOut,
  vamps,
} from "@/core/chord";
import type { Interval } from "@/core/pitch";
import { brightness, type HomeMode } from "@/core/scale";
import { $draft, $tuning, changeDraft, setPlace } from "@/state";
import { Choice, TextField } from "@/ui/controls";
import { shadeOf } from "@/ui/shade";
import {
  CHORD_KIND_TEXT,
  chordText,
  degreeText,
  countText,
  fifthsText,
  homeModeText,
  inTitle,
  listText,
  modeText,
  noteText,
  notesText,
  numberText,
  placeText,
  rightPlacesText,
  romanText,
  sizeText,
} from "@/ui/words";
import { type Held, heldText } from "./held";
import { HomeField } from "./HomeField";
import view from "@/ui/frame/View.module.css";
import styles from "./ChordsShow.module.css";

const PARTS = [
  ["thirds", "In thirds"],
  ["home", "Home chord and vamps"],
  ["shared", "Shared out"],
  ["fourths", "In fourths"],
  ["shape", "One shape over the bass"],
] as const;
type PartName = (typeof PARTS)[number][0];

interface ChordsProps {
  readonly homeMode: HomeMode;
  readonly held: Held | undefined;
  readonly onHold: (held: Held) => void;
}

interface ChordsShowProps extends ChordsProps {
  /** The mode whose chords are laid out: they follow the sentence as soon as there is time. */
  readonly settled?: HomeMode;
}

/** The chords that a mode gives, five ways. */
export function ChordsShow({ homeMode, settled = homeMode, held, onHold }: ChordsShowProps) {
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
        <Shown homeMode={settled} held={held} onHold={onHold} />
      </div>
    </>
  );
}

interface HoldProps {
  readonly what: Held;
  readonly held: Held | undefined;
  readonly onHold: (held: Held) => void;
  readonly children?: string;
}

/** A chord, or two, to be taken in hand. */
function Hold({ what, held, onHold, children }: HoldProps) {
  const text = heldText(what);
  return (
    <button
      type="button"
      className={styles.chord}
      aria-pressed={held !== undefined && heldText(held) === text}
      onClick={() => onHold(what)}
    >
      {children ?? text}
    </button>
  );
}

/** Triads to thirteenths on each degree. */
function InThirds({ homeMode, held, onHold }: ChordsProps) {
  return (
    <table className={styles.table}>
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
                {chords[kind] ? <Hold what={{ chords: [chords[kind]] }} held={held} onHold={onHold} /> : "–"}
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
function HomeChord({ homeMode, held, onHold }: ChordsProps) {
  const { home, mode } = homeMode;
  const { tones, fifths } = fullChord(mode);
  const reduced = reducedChord(mode);
  const whole: Chord = { root: home, tones, optional: [] };
  const kept: Chord = { root: home, tones: reduced, optional: [] };
  const note = (tone: Interval) => noteText(home + tone);
  const left = tones.filter((tone) => !reduced.includes(tone));
  return (
    <div className={styles.two}>
      <section className={styles.section}>
        <h2>The mode as one chord</h2>
        <p>
          <Hold what={{ chords: [whole] }} held={held} onHold={onHold}>
            {noteText(home) + fullChordSuffix(mode, "signs")}
          </Hold>{" "}
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
            <Hold what={{ chords: [kept] }} held={held} onHold={onHold}>
              {reduced.map(note).join(" ")}
            </Hold>{" "}
            {`without ${listText(left.map(note))}.`}
          </p>
        )}
      </section>
      <section className={styles.section}>
        <h2>Back and forth, what shows it best first</h2>
        <ol className={styles.list}>
          {vamps(homeMode)
            .slice(0, VAMPS)
            .map(({ chords }) => (
              <li key={chords.map(chordText).join()}>
                <Hold what={{ chords }} held={held} onHold={onHold} />
              </li>
            ))}
        </ol>
      </section>
    </div>
  );
}

/** Pairs of easy chords whose notes together are the mode. */
function SharedOutPairs({ homeMode, held, onHold }: ChordsProps) {
  return (
    <section className={styles.section}>
      <h2>Two easy chords that hold the notes of the mode between them</h2>
      <ol className={styles.list}>
        {sharedOut(homeMode, 14).map(({ chords, missing }) => (
          <li key={chords.map(chordText).join()}>
            <Hold what={{ chords }} held={held} onHold={onHold} />
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
function InFourths({ homeMode, held, onHold }: ChordsProps) {
  const { home, mode } = homeMode;
  return (
    <div className={styles.three}>
      {FOURTH_COUNTS.map((count) => {
        const stacks = fourthStacks(mode, count);
        return (
          <section key={count} className={styles.section}>
            <h2>{`${numberText(count)} notes`}</h2>
            {stacks.length === 0 && <p>No such stack lies in this scale.</p>}
            <ul className={styles.list}>
              {stacks.map(({ degree, notes, perfect }) => {
                const voiced = notes.map((note) => home + note);
                const [chord] = chordNames(voiced);
                return chord ? (
                  <li key={degree}>
                    <Hold what={{ chords: [chord], voiced }} held={held} onHold={onHold}>
                      {notesText(voiced)}
                    </Hold>
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

/** A shape as it was typed: a fingering of the strings in hand, or a chord's quality. */
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
function OneShape({ homeMode, held, onHold }: ChordsProps) {
  const { shape: typed } = useStore($draft);
  const tuning = useStore($tuning) ?? GUITAR;
  const { home, mode } = homeMode;
  const shape = readShape(typed, tuning) ?? { tones: [0, 4, 1, 5, 2] };
  const places = shapesOver(home, shape.tones, mode);
  return (
    <section className={styles.section}>
      <p className={styles.asked}>
        <span>Move</span>
        <TextField
          label="The shape: a kind of chord, or frets from the lowest string"
          value={typed}
          width={12}
          size="small"
          suggestions={["maj9", "maj7", "m7", "m9", "7sus4", "add9", "x 7 5 7 7 x", "x 3 2 0 1 0"]}
          onCommit={(text) => {
            if (!readShape(text, tuning))
              return `“${text.slice(0, 20)}” is no shape; a kind of chord such as m7 or maj9, or ${countText(tuning.strings.length, "fret")} such as x 7 5 7 7 x on a guitar, would do.`;
            changeDraft({ shape: text.trim() });
            return undefined;
          }}
        />
        {`over ${noteText(home)}. ${rightPlacesText(places, homeMode)}`}
      </p>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">Against the bass</th>
            <th scope="col">Makes</th>
            <th scope="col">Modes that hold it</th>
            {shape.fingered && <th scope="col">Frets</th>}
          </tr>
        </thead>
        <tbody>
          {places.map((place) => {
            const { root, tones, degrees, modes, outside, name } = place;
            const over: Chord = { root, tones: tones.map((tone) => tone - root), optional: [], bass: home };
            return (
              <tr key={root} data-outside={outside.length > 0 || undefined}>
                <th scope="row">
                  <Hold what={{ chords: [over] }} held={held} onHold={onHold}>
                    {noteText(root)}
                  </Hold>
                </th>
                <td>{degrees.map(degreeText).join(" ")}</td>
                <td>
                  {outside.length === 0 ? (
                    <Hold what={{ chords: [name] }} held={held} onHold={onHold} />
                  ) : (
                    placeText(place)
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
                          onClick={() => setPlace({ mode: each })}
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
    </section>
  );
}

/** How many modes a place names before the rest are counted. */
const MODES = 4;

const SHOWN: Readonly<Record<PartName, React.ComponentType<ChordsProps>>> = {
  thirds: memo(InThirds),
  home: memo(HomeChord),
  shared: memo(SharedOutPairs),
  fourths: memo(InFourths),
  shape: memo(OneShape),
};
