import { useStore } from "@nanostores/react";
import { useEffect, useEffectEvent, useState } from "react";
import { notesToFind, type NotesToFind } from "@/core/instrument";
import { fifthsOf, modulo, printName, soundOf, spellSound } from "@/core/pitch";
import { notesOf } from "@/core/scale";
import type { Question } from "@/core/training";
import { $noteInput, $tuning, hearNote } from "@/session";
import { findFretsText, findKeysText, foundSoFarText, givenText, keyName } from "@/words";
import { answer } from "./run";
import styles from "./Ear.module.css";

/** Frets at which the part of the neck may begin: open position to the ninth. */
const HANDS = 9;

/** Keys between which notes are looked for where there is no neck: C3 to C5. */
const [LOW_KEY, HIGH_KEY] = [48, 72];

/** Notes that are found by striking them on the stage, which marks nothing; one that is wrong ends it. */
export function FindNotes({
  question,
  given,
}: {
  readonly question: Question;
  readonly given: string | undefined;
}) {
  const tuning = useStore($tuning);
  const [found, setFound] = useState<ReadonlySet<number>>(new Set());
  const name = question.right[0] ?? "";
  const sound = soundOf(fifthsOf(name));
  const there: NotesToFind | undefined = tuning && notesToFind(tuning, sound, question.asked.seed % HANDS);
  const wanted = there?.midis ?? keysOf(sound);
  const strike = useEffectEvent((midi: number) => {
    hearNote(midi);
    if (given !== undefined) return;
    if (modulo(midi, 12) !== sound) {
      answer({ isRight: false, given: printName(nameOf(midi, question)) });
      return;
    }
    // The note outside the part that is asked for is no mistake, and isn't counted.
    if (!wanted.includes(midi)) return;
    const next = new Set(found).add(midi);
    setFound(next);
    if (wanted.every((each) => next.has(each))) answer({ isRight: true, given: name });
  });
  useEffect(() => {
    $noteInput.set(strike);
    return () => $noteInput.set(undefined);
  }, []);
  if (given !== undefined)
    return <p className={styles.given}>{`You struck: ${givenText(question.asked.card.question, given)}`}</p>;
  return (
    <div className={styles.playedBack}>
      <p>
        {there
          ? findFretsText(there.fromFret, there.toFret)
          : findKeysText(keyName(LOW_KEY), keyName(HIGH_KEY))}
      </p>
      <p role="status">{foundSoFarText(found.size, wanted.length)}</p>
    </div>
  );
}

const keysOf = (sound: number): readonly number[] =>
  Array.from({ length: HIGH_KEY - LOW_KEY + 1 }, (_, at) => LOW_KEY + at).filter(
    (midi) => modulo(midi, 12) === sound,
  );

/** The name of a note that was struck: as the mode has it, otherwise the plainest near it. */
const nameOf = (midi: number, { homeMode }: Question) =>
  notesOf(homeMode).find((note) => soundOf(note) === modulo(midi, 12)) ??
  spellSound(modulo(midi, 12), homeMode.home);
