import { useStore } from "@nanostores/react";
import { type ReactNode, useState } from "react";
import { chordNotes } from "@/core/chord";
import { type Writing, WRITINGS, writtenFor, type Written, writtenText } from "@/core/progression";
import { maybeTuning, stacksOn } from "@/core/instrument";
import { CATALOGUE, type HomeMode } from "@/core/scale";
import { $placeMode, $tuning, putIntoChart, setPlace } from "@/session";
import { Choice, HomeField, Select } from "@/kit/controls";
import { type SelectedChords, SelectButton, SelectedPanel } from "@/shell/selected";
import { Panel, Saying } from "@/kit/panel";
import {
  chordText,
  fretsText,
  homeModeText,
  missingText,
  modeOptions,
  notesText,
  WRITING_TEXT,
  CHORDS_FOR_MODE_SAY,
} from "@/words";
import { written } from "./selection";
import view from "@/shell/frame/View.module.css";
import styles from "./WriteShow.module.css";

interface WriteShowProps {
  readonly tabs: ReactNode;
}

/** Chords as they are held in the hand; at least one. */
const asSelected = ({ chords }: Written): SelectedChords | undefined => {
  const [first, ...rest] = chords;
  return first && { chords: [first, ...rest] };
};

/** From a mode to chords: the ways to say it, each to be heard and put into the chart. */
export function WriteShow({ tabs }: WriteShowProps) {
  const homeMode = useStore($placeMode);
  const { home, mode } = homeMode;
  const selected = useStore(written.$selectedChords);

  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className="visually-hidden">{`Chords for ${homeModeText(homeMode)}`}</h1>
          <span>Chords that say</span>
          <HomeField label="Home" value={home} onChange={(next) => setPlace({ home: next })} />
          <Select
            label="Mode"
            value={mode.id}
            options={modeOptions(mode)}
            onChange={(id) => {
              const next = CATALOGUE.find((each) => each.id === id);
              if (next) setPlace({ mode: next });
            }}
          />
        </div>
        <div className={styles.ways} role="region" aria-label="Ways to bring it out">
          {WRITINGS.map((way) => (
            <Way
              key={way}
              way={way}
              homeMode={homeMode}
              selected={selected}
              onSelect={(next, line) => written.select({ ...next, line })}
            />
          ))}
        </div>
      </div>
      {selected ? (
        <SelectedPanel
          homeMode={homeMode}
          selected={selected}
          line={selected.line}
          onDeselect={written.deselect}
        />
      ) : (
        <Panel title={homeModeText(homeMode)} aside="in chords">
          <Saying>{CHORDS_FOR_MODE_SAY}</Saying>
        </Panel>
      )}
    </div>
  );
}

interface WayProps {
  readonly way: Writing;
  readonly homeMode: HomeMode;
  readonly selected: SelectedChords | undefined;
  readonly onSelect: (selected: SelectedChords, line: string) => void;
}

/** The progressions of one way. */
function Way({ way, homeMode, selected, onSelect }: WayProps) {
  const [count, setCount] = useState<3 | 4>(3);
  const all = writtenFor(homeMode, way, count);
  return (
    <section className={styles.way} data-way={way}>
      <h2>{WRITING_TEXT[way]}</h2>
      {way === "fourths" && (
        <Choice
          label="Notes in a stack"
          size="small"
          value={String(count)}
          options={[
            { value: "3", text: "three notes" },
            { value: "4", text: "four notes" },
          ]}
          onChange={(value) => setCount(value === "4" ? 4 : 3)}
        />
      )}
      {all.length === 0 && <p className={styles.aside}>This scale has none.</p>}
      <ul className={styles.list}>
        {all.map((each) => {
          const line = writtenText(each);
          const what = asSelected(each);
          return (
            what && (
              <li key={line}>
                <SelectButton what={what} selected={selected} onSelect={(next) => onSelect(next, line)}>
                  {labelOf(each, way)}
                </SelectButton>
                <span className={styles.aside}>{missingText(each.missing)}</span>
                <button
                  type="button"
                  className={styles.put}
                  aria-label={`Put ${labelOf(each, way)} into the chart`}
                  title="Put into the chart"
                  onClick={() => putIntoChart(line)}
                >
                  +
                </button>
              </li>
            )
          );
        })}
      </ul>
      {way === "fourths" && all[0] && <Stacks chords={all[0]} />}
    </section>
  );
}

/** Symbols side by side; stacks of fourths by their notes, since their symbols say less. */
const labelOf = ({ chords }: Written, way: Writing): string =>
  chords
    .map((chord) => (way === "fourths" ? notesText(chordNotes(chord)) : chordText(chord)))
    .join(way === "fourths" ? "   " : "  ");

/** Strings that fourths are taken on: the lowest of each set. */
const SETS: readonly number[] = [6, 5, 4, 3];

/** The stacks of fourths on neighbouring strings, from the nut to the end of the neck. */
function Stacks({ chords }: { readonly chords: Written }) {
  const tuning = useStore($tuning) ?? maybeTuning("guitar");
  const [lowest, setLowest] = useState<number>(5);
  const notes = chords.chords[0] ? chordNotes(chords.chords[0]).length : 0;
  if (!tuning || tuning.strings.length < notes) return null;
  const sets = SETS.filter((string) => string <= tuning.strings.length && string >= notes);
  const from = sets.includes(lowest) ? lowest : (sets[0] ?? notes);
  const stacks = stacksOn(tuning, chords.chords, from);
  return (
    <div className={styles.stacks}>
      <Select
        label="On which strings"
        size="small"
        value={String(from)}
        options={sets.map((string) => ({
          value: String(string),
          text: `strings ${string} to ${string - notes + 1}`,
        }))}
        onChange={(value) => setLowest(Number(value))}
      />
      <ol className={styles.frets}>
        {stacks.map(({ chord, frets }) => (
          <li key={frets.join()}>{fretsText(chord, frets)}</li>
        ))}
      </ol>
    </div>
  );
}
