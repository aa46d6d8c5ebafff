import { useEffect, useRef, useState } from "react";
import type { Tune } from "@/core/tune";
import { adderTo, drawNotches, headBox, staffBox } from "./drawn";
import { drawnNotes } from "./marks";
import styles from "./Staff.module.css";

interface StaffProps {
  readonly tune: Tune;
  /** The ABC that the tune stands in. */
  readonly text: string;
  /** Places in the tune's notes: colour notes and the ends of phrases. */
  readonly colour: readonly number[];
  readonly phraseEnds: readonly number[];
  /** The same in words. */
  readonly label: string;
}

/** The tune on its staff, engraved by the library when first needed; colour notes notched, phrase ends barred below. */
export function Staff({ tune, text, colour, phraseEnds, label }: StaffProps) {
  const paper = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<ReadonlyMap<number, SVGElement>>();

  useEffect(() => {
    let isCurrent = true;
    void import("abcjs").then(({ default: abcjs }) => {
      const node = paper.current;
      if (!isCurrent || !node) return;
      const [engraved] = abcjs.renderAbc(node, withoutTitle(text), {
        add_classes: true,
        responsive: "resize",
        staffwidth: staffWidth(node.clientWidth),
        paddingtop: 0,
        paddingbottom: 16,
        paddingleft: 4,
        paddingright: 4,
        wrap: { minSpacing: 1.15, maxSpacing: 2.6, preferredMeasuresPerLine: 8 },
      });
      setDrawn(drawnNotes(engraved, tune.notes));
    });
    return () => {
      isCurrent = false;
    };
  }, [tune, text]);

  useEffect(() => {
    if (!drawn) return;
    for (const [at, element] of drawn) {
      element.toggleAttribute("data-colour", colour.includes(at));
    }
    drawMarks(drawn, colour, phraseEnds);
  }, [drawn, colour, phraseEnds]);

  return (
    // A long tune scrolls, so the keyboard must reach it.
    // eslint-disable-next-line jsx-a11y-x/no-noninteractive-tabindex
    <section className={styles.frame} aria-label="Staff" tabIndex={0}>
      <div role="img" aria-label={label}>
        <div ref={paper} className={styles.paper} aria-hidden="true" />
      </div>
    </section>
  );
}

/** Wide enough for eight bars on a wide sheet, and legible on a narrow one. */
const staffWidth = (room: number): number => Math.round(Math.max(420, Math.min(1000, room * 1.25)));

/** The title stands in the sentence above; its field is blanked without moving anything that follows. */
const withoutTitle = (text: string): string =>
  text.replaceAll(/^[TQ]:.*$/gm, (field) => `%${" ".repeat(Math.max(0, field.length - 1))}`);

/** Notches at colour notes and bars under the ends of phrases, drawn into the engraver's picture. */
function drawMarks(
  drawn: ReadonlyMap<number, SVGElement>,
  colour: readonly number[],
  ends: readonly number[],
): void {
  const add = adderTo(drawn);
  if (!add) return;
  drawNotches(drawn, colour, add);
  for (const at of ends) {
    const head = headBox(drawn.get(at));
    const staff = staffBox(drawn.get(at));
    const low = Math.max(head ? head.y + head.height : 0, staff ? staff.y + staff.height : 0);
    if (head) add("rect", { x: head.x - 8, y: low + 7, width: head.width + 16, height: 4 });
  }
}
