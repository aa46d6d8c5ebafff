import { useStore } from "@nanostores/react";
import type { Reshaped } from "@/core/reshape";
import type { HomeMode } from "@/core/scale";
import { allNotes, type BarRange, type Tune } from "@/core/tune";
import { $playing, playOrStop, showOnGuitar } from "@/session";
import { useConventions } from "@/session/settings/useConventions";
import { Button } from "@/kit/controls";
import { Panel, Saying } from "@/kit/panel";
import {
  borrowedSentence,
  chromaticSentence,
  faultsSentence,
  gripSentence,
  heardAsSentence,
  homeModeText,
  missingSentence,
  NO_CHORDS_FOUND,
  noRelativeText,
  rangeSentence,
  reshapedSentence,
  restSentence,
  stayedSentence,
  stepSentence,
  whatItIs,
} from "@/words";
import { VERSIONS } from "./selection";
import { $heardAs, $recipe, chooseAt, hasRelative } from "./reshaped";
import styles from "./Reshape.module.css";

interface ChangePanelProps {
  /** The tune before. */
  readonly tune: Tune;
  readonly worked: Reshaped;
  readonly from: HomeMode;
  readonly isOriginal: boolean;
  /** The note that is selected, by its place in the tune before: the chord under it is marked. */
  readonly chosen: number | undefined;
  /** The bars on the staff where it isn’t all of them: their chords are listed. */
  readonly shown: BarRange | undefined;
  readonly onSave: () => void;
}

/** What became of the tune, in words: what changed, what was kept, how it is heard, and why each chord stands where it does. */
export function ChangePanel({ tune, worked, from, isOriginal, chosen, shown, onSave }: ChangePanelProps) {
  const conventions = useConventions();
  const playing = useStore($playing);
  const recipe = useStore($recipe);
  const { to, changes, ranged, harmonies } = worked;
  const all = allNotes(tune);
  const barOf = (place: number) => tune.bars[all[place]?.bar ?? 0]?.number ?? 1;
  const heard = useStore($heardAs);
  const isShown = ({ bar }: { readonly bar: number }) => !shown || (bar >= shown.from && bar <= shown.to);
  const steps = harmonies[Math.min(recipe.which, harmonies.length - 1)]?.steps.filter(isShown) ?? [];
  const grips = worked.grips.filter(isShown);
  const onset = chosen === undefined ? undefined : all[chosen]?.onset;
  const isAbove = ({ onset: begins, duration }: Pick<(typeof steps)[number], "onset" | "duration">) =>
    onset !== undefined && onset >= begins - 1e-6 && onset < begins + duration - 1e-6;
  const said = [
    reshapedSentence(worked, from),
    recipe.way === "relative" && !hasRelative(from, to.mode) ? noRelativeText(from, to) : undefined,
    chromaticSentence(changes, barOf),
    recipe.chords === "rebuilt" && harmonies.length === 0 ? NO_CHORDS_FOUND : undefined,
    stayedSentence(worked.kept, tune),
    borrowedSentence(worked.borrowed, tune, from),
    missingSentence(changes, to, recipe.missing),
    rangeSentence(ranged),
    recipe.parts === "none" || recipe.chords === "none"
      ? undefined
      : faultsSentence(worked.faults, tune, recipe.parts),
    restSentence(to),
    heard && heardAsSentence(heard, to, (worked.tune.chords ?? []).length > 0),
  ].filter((each) => each !== undefined);
  return (
    <Panel
      title={homeModeText(isOriginal ? from : to)}
      aside={isOriginal ? "the original" : undefined}
      acts={
        <>
          <Button kind="main" keyName="space" aria-pressed={playing === VERSIONS} onClick={playOrStop}>
            {playing === VERSIONS ? "Stop" : "Hear it"}
          </Button>
          <Button keyName="k" onClick={onSave}>
            Save
          </Button>
        </>
      }
    >
      <Saying>{whatItIs(isOriginal ? from : to, conventions)}</Saying>
      {!isOriginal && said.map((each) => <Saying key={each}>{each}</Saying>)}
      {!isOriginal && grips.length > 0 && (
        <section>
          <h3 className={styles.heading}>Under the melody, from the lowest string</h3>
          <ol className={styles.steps}>
            {grips.map((grip) => (
              <li key={grip.onset} data-current={isAbove(grip) || undefined}>
                <button
                  type="button"
                  title="Show it on the neck"
                  onClick={() => {
                    chooseAt(grip.onset);
                    showOnGuitar();
                  }}
                >
                  {gripSentence(grip, tune)}
                </button>
              </li>
            ))}
          </ol>
        </section>
      )}
      {!isOriginal && steps.length > 0 && (
        <section>
          <h3 className={styles.heading}>Why these chords</h3>
          <ol className={styles.steps}>
            {steps.map((step) => (
              <li key={step.onset} data-current={isAbove(step) || undefined}>
                <button
                  type="button"
                  title="Show it on the staff and the stage"
                  onClick={() => chooseAt(step.onset)}
                >
                  {stepSentence(step, tune)}
                </button>
              </li>
            ))}
          </ol>
        </section>
      )}
    </Panel>
  );
}
