import { computed } from "nanostores";
import { feltBeat } from "@/core/tune";
import { $documents } from "../document/documents";
import { $front, $selection, type Playable } from "../place/selection";
import { $settings, changeSettings } from "../settings/settings";

/** A quarter where no meter is known. */
const beatOf = ({ meter }: Playable): number => (meter ? feltBeat(meter) : 1);

/** The note that "bpm" counts in what Play plays, in quarters: 1.5 in 6/8. */
export const $beat = computed($selection, ({ play }) => beatOf(play));

/** What is worked on in front: another meter of it is a change, another thing in another meter is none. */
const worked = () => [$front.get(), ...$documents.get().map(({ $id }) => $id.get())].join(" ");

const within = (tempo: number) => Math.min(300, Math.max(30, Math.round(tempo)));

/**
 * Keeps the speed of the music where the meter of the chart that is worked on changes: quarters at 96 become eighths at 192. A tune comes with its
 * meter: another one in its place is another tune. Call the answer to end it.
 */
export function keepSpeed(): () => void {
  let before: { readonly of: string; readonly beat: number } | undefined;
  return $selection.subscribe(({ play }) => {
    if (play.code !== "chords") return;
    const now = { of: worked(), beat: beatOf(play) };
    if (before?.of === now.of && before.beat !== now.beat)
      changeSettings({ tempo: within(($settings.get().tempo * before.beat) / now.beat) });
    before = now;
  });
}
