import { type KeyboardEvent, type PointerEvent, useEffect, useLayoutEffect, useRef, useState } from "react";
import { allNotes, type BarRange, noteAcross, noteBeside, type Tune } from "@/core/tune";
import { barByBarText, wording } from "@/words";
import { adderTo, drawFrames, drawNotches, drawOutlines, headBox, staffBox } from "./drawn";
import { drawnNotes, nearestNote, type PlacedNote } from "./marks";
import { toEngrave } from "./to-engrave";
import styles from "./Staff.module.css";

interface StaffProps {
  readonly tune: Tune;
  /** The ABC that the tune stands in. */
  readonly text: string;
  /** Places of notes, melody first: characteristic notes and the ends of phrases. */
  readonly characteristic: readonly number[];
  readonly phraseEnds: readonly number[];
  /** Notes that a reason points at, or that are looked at otherwise. */
  readonly pointed?: readonly number[] | undefined;
  /** Where notes stood before: an outline so many places of the staff above each (below where negative). */
  readonly outlines?: ReadonlyMap<number, number> | undefined;
  /** Notes that do not count. */
  readonly without?: ReadonlySet<number> | undefined;
  /** The bars that are looked at, where it is not all of them. */
  readonly bars?: BarRange | undefined;
  /** The selected note. */
  readonly chosen?: number | undefined;
  readonly onChoose?: ((note: number | undefined) => void) | undefined;
  /** Bars were dragged over. */
  readonly onBars?: ((bars: BarRange | undefined) => void) | undefined;
  /** Leaves the selected note out, or takes it in again. */
  readonly onLeaveOut?: (() => void) | undefined;
  /** The staff is written on: answers whether a key wrote something. */
  readonly onWrite?: ((key: string) => boolean) | undefined;
  /** It takes the keyboard as soon as it stands. */
  readonly takesFocus?: boolean;
  /** The same in words. */
  readonly label: string;
}

const NONE: readonly number[] = [];
/** Of a staff on which nothing stands yet. */
const LINES = [1, 2, 3, 4, 5];
const NO_OUTLINES: ReadonlyMap<number, number> = new Map();
const NOTHING_LEFT_OUT: ReadonlySet<number> = new Set();
/** A press that moves less than this takes one note, not bars. */
const DRAG = 12;

/**
 * The tune on its staff, engraved by the library when first needed; characteristic notes notched, phrase ends barred below. A note of any
 * voice can be selected by a press or the arrow keys, and bars by dragging over them.
 */
export function Staff({
  tune,
  text,
  characteristic,
  phraseEnds,
  pointed = NONE,
  outlines = NO_OUTLINES,
  without = NOTHING_LEFT_OUT,
  bars,
  chosen,
  onChoose,
  onBars,
  onLeaveOut,
  onWrite,
  takesFocus = false,
  label,
}: StaffProps) {
  const paper = useRef<HTMLDivElement>(null);
  const frame = useRef<HTMLElement>(null);
  const [takes] = useState(takesFocus);
  // Before the page is drawn, so that no key that is pressed meanwhile is lost.
  useLayoutEffect(() => {
    if (takes) frame.current?.focus({ preventScroll: true });
  }, [takes]);
  const { noteNames } = wording();
  const [drawn, setDrawn] = useState<ReadonlyMap<number, SVGElement>>();
  const dragged = useRef<{ readonly x: number; readonly y: number; readonly at: number | undefined }>(
    undefined,
  );

  const hasNotes = allNotes(tune).length > 0;
  useEffect(() => {
    const node = paper.current;
    if (!hasNotes) {
      node?.replaceChildren();
      return undefined;
    }
    let isCurrent = true;
    void import("abcjs").then(async ({ default: abcjs }) => {
      // What has just been computed is drawn first, and then the staff.
      await new Promise((go) => setTimeout(go));
      if (!isCurrent || !node) return;
      const [engraved] = abcjs.renderAbc(node, toEngrave(text, noteNames), {
        add_classes: true,
        responsive: "resize",
        staffwidth: staffWidth(node.clientWidth),
        paddingtop: 0,
        paddingbottom: 16,
        paddingleft: 4,
        paddingright: 4,
        wrap: { minSpacing: 1.15, maxSpacing: 2.6, preferredMeasuresPerLine: 8 },
      });
      setDrawn(drawnNotes(engraved, allNotes(tune)));
    });
    return () => {
      isCurrent = false;
    };
  }, [tune, text, noteNames, hasNotes]);

  useEffect(() => {
    if (!drawn) return;
    const shown = new Set(pointed);
    const all = allNotes(tune);
    for (const [at, element] of drawn) {
      const bar = all[at]?.bar ?? 0;
      element.toggleAttribute("data-characteristic", characteristic.includes(at));
      element.toggleAttribute("data-pointed", shown.has(at));
      element.toggleAttribute("data-without", without.has(at));
      element.toggleAttribute("data-beside", bars !== undefined && (bar < bars.from || bar > bars.to));
    }
    drawMarks(
      drawn,
      characteristic,
      phraseEnds,
      [...pointed, ...(chosen === undefined ? [] : [chosen])],
      outlines,
    );
  }, [drawn, tune, characteristic, phraseEnds, pointed, outlines, without, bars, chosen]);

  const noteAt = ({ clientX, clientY }: PointerEvent): number | undefined =>
    drawn && nearestNote(placesOf(drawn), clientX, clientY);
  const onDown = (event: PointerEvent) => {
    if (!onChoose || event.button !== 0) return;
    dragged.current = { x: event.clientX, y: event.clientY, at: noteAt(event) };
  };
  const onUp = (event: PointerEvent) => {
    const from = dragged.current;
    dragged.current = undefined;
    if (!from || from.at === undefined) return;
    if (Math.hypot(event.clientX - from.x, event.clientY - from.y) < DRAG) {
      onChoose?.(from.at === chosen ? undefined : from.at);
      return;
    }
    const all = allNotes(tune);
    const ends = [from.at, noteAt(event) ?? from.at].map((at) => all[at]?.bar ?? 0);
    onBars?.({ from: Math.min(...ends), to: Math.max(...ends) });
  };
  const onKey = (event: KeyboardEvent) => {
    if (!onChoose || event.ctrlKey || event.metaKey || event.altKey) return;
    if (onWrite?.(event.key) === true) {
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    const step = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    const voice = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    const isAcross = voice !== 0 && tune.voices !== undefined && chosen !== undefined;
    if (step !== 0) onChoose(chosen === undefined ? 0 : noteBeside(tune, chosen, step));
    else if (isAcross) onChoose(noteAcross(tune, chosen, voice));
    else if ((event.key === "Delete" || event.key === "Backspace") && chosen !== undefined) onLeaveOut?.();
    else if (event.key === "Escape" && chosen !== undefined) onChoose(undefined);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  return (
    // A long tune scrolls, so the keyboard must reach it; its notes are stepped through with the arrows.
    // eslint-disable-next-line jsx-a11y-x/no-noninteractive-element-interactions
    <section
      ref={frame}
      className={styles.frame}
      data-voices={tune.voices ? true : undefined}
      aria-label="Staff"
      // eslint-disable-next-line jsx-a11y-x/no-noninteractive-tabindex
      tabIndex={0}
      // A note is about to be written.
      onFocus={() => !hasNotes && void import("abcjs").catch(() => undefined)}
      onKeyDown={onKey}
      onPointerDown={onDown}
      onPointerUp={onUp}
    >
      <div role="img" aria-label={label}>
        {!(hasNotes && drawn) && (
          <div className={styles.lines} aria-hidden="true">
            {LINES.map((line) => (
              <span key={line} />
            ))}
          </div>
        )}
        <div ref={paper} className={styles.paper} aria-hidden="true" />
      </div>
      <ol className="visually-hidden" aria-label="Bar by bar">
        {barByBarText(tune).map((bar, at) => (
          <li key={at}>{bar}</li>
        ))}
      </ol>
    </section>
  );
}

/** Where the heads of notes are on the screen. */
function placesOf(drawn: ReadonlyMap<number, SVGElement>): readonly PlacedNote[] {
  return [...drawn].flatMap(([at, element]) => {
    const head = element.querySelector(".abcjs-notehead") ?? element;
    const { left, top, width, height } = head.getBoundingClientRect();
    return [{ at, x: left + width / 2, y: top + height / 2 }];
  });
}

/** Wide enough for eight bars on a wide sheet, and legible on a narrow one. */
const staffWidth = (room: number): number => Math.round(Math.max(420, Math.min(1000, room * 1.25)));

/** Notches at characteristic notes, bars under the ends of phrases and frames round what is pointed at, drawn into the picture. */
function drawMarks(
  drawn: ReadonlyMap<number, SVGElement>,
  characteristic: readonly number[],
  ends: readonly number[],
  framed: readonly number[],
  outlines: ReadonlyMap<number, number>,
): void {
  const add = adderTo(drawn);
  if (!add) return;
  drawNotches(drawn, characteristic, add);
  for (const at of ends) {
    const head = headBox(drawn.get(at));
    const staff = staffBox(drawn.get(at));
    const low = Math.max(head ? head.y + head.height : 0, staff ? staff.y + staff.height : 0);
    if (head) add("rect", { x: head.x - 8, y: low + 7, width: head.width + 16, height: 4 });
  }
  drawFrames(drawn, framed, { class: "frame", away: 4 }, add);
  drawOutlines(drawn, outlines, add);
}
