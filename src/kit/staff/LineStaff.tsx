import { useEffect, useRef, useState } from "react";
import type { Place, Written } from "@/core/instrument";
import { type Fifths, type Interval, midiOf, type Pitch, soundOf } from "@/core/pitch";
import { type HomeMode, mode, signedKey } from "@/core/scale";
import { evenTune, type Tune } from "@/core/tune";
import { writeAbc } from "@/formats";
import { heardAmong } from "@/kit/heardAmong";
import { type Add, adderTo, drawFrames, drawNotches, headBox, staffBox } from "./drawn";
import { drawnNotes } from "./marks";
import styles from "./Staff.module.css";

/** A note of a line: what it is, which finger takes it, and where on the neck. */
interface StaffNote {
  readonly pitch: Pitch;
  readonly interval: Interval;
  readonly finger?: number | undefined;
  readonly place?: Place | undefined;
}

interface LineStaffProps {
  readonly notes: readonly StaffNote[];
  readonly characteristic: readonly Fifths[];
  /** The mode that it is in: its key signature stands at the beginning. */
  readonly homeMode: HomeMode;
  /** What is new in the selected chord: framed. */
  readonly targetNotes: readonly Fifths[];
  /** MIDI numbers that sound now. */
  readonly sounding: readonly number[];
  /** Which note of the line is being played, from 0: of those at its pitch it alone is marked. */
  readonly nth: number | undefined;
  readonly written: Written;
  /** Strings of the tablature below; none for instruments without. */
  readonly strings: number;
  /** Length of each note in quarters. */
  readonly each: number;
  /** The notes sound together. */
  readonly isChord: boolean;
  /** The same in words. */
  readonly label: string;
}

const TAB_GAP = 11;
const TAB_TOP = 26;

/** A tune with the key signature of a mode, where it has one. */
function inKey(tune: Tune, homeMode: HomeMode): Tune {
  const signed = signedKey(homeMode);
  return signed
    ? { ...tune, keys: [{ home: signed.tonic, mode: mode("ionian"), isSignature: true, bar: 0 }] }
    : tune;
}

/** Notes on one long staff with fingers above and tablature below, engraved by the library when first needed. */
export function LineStaff(props: LineStaffProps) {
  const {
    notes,
    homeMode,
    characteristic,
    targetNotes,
    sounding,
    nth,
    written,
    strings,
    each,
    isChord,
    label,
  } = props;
  const paper = useRef<HTMLDivElement>(null);
  const [drawnLine, setDrawn] = useState<ReadonlyMap<number, SVGElement>>();
  useEffect(() => {
    let isCurrent = true;
    void import("abcjs").then(({ default: abcjs }) => {
      const node = paper.current;
      if (!isCurrent || !node) return;
      const clef = `${written.clef}${written.octavesUp === 1 ? "-8" : ""}` as const;
      const tune = evenTune(
        notes.map(({ pitch }) => pitch),
        isChord ? 1 : each,
      );
      const abc = writeAbc(inKey(tune, homeMode), { clef, octavesUp: written.octavesUp, onOneLine: true });
      const [engraved] = abcjs.renderAbc(node, abc.text, {
        add_classes: true,
        staffwidth: Math.max(node.clientWidth - 40, notes.length * 34),
        paddingtop: 2,
        paddingbottom: strings > 0 ? TAB_TOP + strings * TAB_GAP : 12,
        paddingleft: 4,
        paddingright: 4,
      });
      const drawn = drawnNotes(engraved, abc.tune.notes);
      const among = (names: readonly Fifths[]) =>
        notes.flatMap(({ pitch }, at) =>
          names.some((name) => soundOf(name) === soundOf(pitch.name)) ? [at] : [],
        );
      const marked = among(characteristic);
      for (const [at, element] of drawn) element.toggleAttribute("data-characteristic", marked.includes(at));
      const add = adderTo(drawn);
      setDrawn(drawn);
      if (!add) return;
      drawNotches(drawn, marked, add);
      drawFrames(drawn, among(targetNotes), { class: "target", away: 3 }, add);
      drawFingers(drawn, notes, add);
      if (strings > 0) drawTab(drawn, notes, strings, add);
    });
    return () => {
      isCurrent = false;
    };
  }, [notes, homeMode, characteristic, targetNotes, written, strings, each, isChord]);
  useEffect(() => {
    const midis = notes.map(({ pitch }) => midiOf(pitch));
    const heard = heardAmong(midis, sounding);
    for (const [at, element] of drawnLine ?? [])
      element.toggleAttribute(
        "data-sounding",
        heard.has(midis[at] ?? -1) && (nth === undefined || nth === at),
      );
  }, [drawnLine, notes, sounding, nth]);
  return (
    // A long line scrolls, so the keyboard must reach it.
    // eslint-disable-next-line jsx-a11y-x/no-noninteractive-tabindex
    <section className={styles.line} aria-label="Staff" tabIndex={0}>
      <div role="img" aria-label={label}>
        <div ref={paper} className={styles.paper} aria-hidden="true" />
      </div>
    </section>
  );
}

/** Where everything on the staff is drawn, stems and beams too. */
const wholeBox = (drawn: ReadonlyMap<number, SVGElement>): DOMRect | undefined =>
  [...drawn.values()][0]?.closest<SVGGraphicsElement>(".abcjs-staff-wrapper")?.getBBox();

/** Fingers above the staff, all on one height. */
function drawFingers(drawn: ReadonlyMap<number, SVGElement>, notes: readonly StaffNote[], add: Add): void {
  const top = wholeBox(drawn)?.y ?? 0;
  for (const [at, element] of drawn) {
    const finger = notes[at]?.finger;
    const box = headBox(element);
    if (box && finger !== undefined && finger > 0)
      add("text", { x: box.x + box.width / 2, y: Math.max(10, top - 4), class: "finger" }, String(finger));
  }
}

/** The frets under their notes: one line a string, string 1 at the top. It shows the fingering that the neck shows. */
function drawTab(
  drawn: ReadonlyMap<number, SVGElement>,
  notes: readonly StaffNote[],
  strings: number,
  add: Add,
): void {
  const staff = staffBox([...drawn.values()][0]);
  const whole = wholeBox(drawn);
  if (!staff || !whole) return;
  const top = whole.y + whole.height + TAB_TOP - 14;
  for (let string = 1; string <= strings; string += 1)
    add("rect", {
      x: staff.x,
      y: top + (string - 1) * TAB_GAP,
      width: staff.width,
      height: 1,
      class: "tab",
    });
  for (const [at, element] of drawn) {
    const place = notes[at]?.place;
    const box = headBox(element);
    if (!box || !place) continue;
    const [x, y] = [box.x + box.width / 2, top + (place.string - 1) * TAB_GAP];
    const text = String(place.fret);
    add("rect", {
      x: x - 3.6 * text.length,
      y: y - 5,
      width: 7.2 * text.length,
      height: 10,
      class: "gap",
    });
    add("text", { x, y: y + 4.4, class: "fret" }, text);
  }
}
