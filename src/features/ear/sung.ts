import { modulo, soundOf } from "@/core/pitch";
import { type Question, sungSteps } from "@/core/training";
import type { HeardNote, PitchFrame } from "@/core/tune";
import type { SungBox } from "@/shell/sung";
import { givenText } from "@/words";

/** What was sung, once it was listened to: its pitch, its notes, and the cents that all of it lay off. */
export interface Sung {
  readonly frames: readonly PitchFrame[];
  readonly notes: readonly HeardNote[];
  readonly cents: number;
}

/**
 * What stands behind the line of what was sung: the notes that were heard, and once it is answered those that were asked for, in the octave
 * that was sung.
 */
export function sungBoxes(
  { notes, cents }: Sung,
  question: Question,
  isAnswered: boolean,
): readonly SungBox[] {
  const home = soundOf(question.homeMode.home);
  const right = (question.right[0] ?? "").split(" ").map(Number);
  const shown = isAnswered ? notes.slice(0, right.length) : notes;
  const steps = sungSteps(
    question,
    shown.map(({ height }) => height),
    cents,
  );
  return shown.map(({ onset, duration, height }, at) => {
    const heard = Math.round(height - cents / 100);
    const { step = 0, cents: beside = 0 } = steps[at] ?? {};
    const asked = isAnswered ? (right[at] ?? step) : step;
    const away = modulo(asked - (heard - home) + 6, 12) - 6;
    return {
      onset,
      duration,
      midi: heard + away,
      label: givenText(question.asked.card.question, String(asked)),
      beside,
      isMissed: asked !== step,
    };
  });
}
