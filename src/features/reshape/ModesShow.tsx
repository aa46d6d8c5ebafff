import { useStore } from "@nanostores/react";
import { type ReactNode, useMemo } from "react";
import type { Identification } from "@/core/identify";
import { LADDERS, missingDegrees } from "@/core/reshape";
import { brightness } from "@/core/scale";
import { allNotes, type Tune } from "@/core/tune";
import { writeAbc } from "@/formats";
import { $settings, changeSettings } from "@/session";
import { reshapeDocument } from "./reshape-document";
import { useConventions } from "@/session/settings/useConventions";
import { useKeys } from "@/session/place/useKeys";
import { Button, Choice, NumberField, Toggle } from "@/kit/controls";
import { Panel, Saying } from "@/kit/panel";
import { shadeOf } from "@/kit/shade";
import { Staff } from "@/kit/staff";
import {
  homeModeText,
  LADDER_TEXT,
  modelTuneText,
  reshapedStaffText,
  rungText,
  SING_SAYS,
  solfegeNote,
} from "@/words";
import view from "@/shell/frame/View.module.css";
import { $recipe, changeRecipe, fromOf } from "./reshaped";
import { $bars, $current, $heardRows, $isSung, $rungs, $way, chooseRung, hearRows } from "./rows";
import styles from "./Reshape.module.css";

interface ModesShowProps {
  readonly tabs: ReactNode;
  readonly refusal: string | undefined;
  readonly tune: Tune;
  readonly found: Identification;
}

const NONE: readonly number[] = [];

/** The tune through all modes of its family, one under another, each with its syllables; played, the row follows. */
export function ModesShow({ tabs, refusal, tune, found }: ModesShowProps) {
  const conventions = useConventions();
  const recipe = useStore($recipe);
  const way = useStore($way);
  const bars = useStore($bars);
  const isSung = useStore($isSung);
  const rungs = useStore($rungs);
  const heard = useStore($heardRows);
  const { rung: current, note } = useStore($current) ?? {};
  const from = fromOf(recipe, found);
  const engraved = useMemo(() => current && writeAbc(current.tune), [current]);
  const pointed = useMemo(() => (note === undefined ? NONE : [note]), [note]);
  const play = () => hearRows("all");
  useKeys("Reshape", [{ key: "u", says: "Play the tune through all modes", act: play }]);
  const missing = missingDegrees(
    tune.notes.map(({ pitch }) => pitch.name - from.home),
    from.mode,
  );
  const document = useStore(reshapeDocument.$value);
  const title = tune.title || document.name;
  const { modelTune } = useStore($settings);
  const isModel = modelTune?.text === document.text;
  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className="visually-hidden">The tune through all modes</h1>
          <strong className={styles.title}>{title || "Tune"}</strong>
          <span>the first</span>
          <NumberField
            label="Bars"
            value={Math.min(bars, tune.bars.length)}
            least={1}
            most={Math.min(32, tune.bars.length)}
            unit="bars"
            onChange={(next) => $bars.set(next)}
          />
          <Choice
            label="Order of the modes"
            size="small"
            value={way}
            options={LADDERS.map((value) => ({
              value,
              text:
                value === "parallel"
                  ? `same home, ${LADDER_TEXT[value]}`
                  : `same notes, ${LADDER_TEXT[value]}`,
            }))}
            onChange={(next) => $way.set(next)}
          />
          <Button keyName="u" aria-pressed={heard === "all"} onClick={play}>
            {heard === "all" ? "Stop" : "Play all"}
          </Button>
          <Toggle isOn={isSung} onChange={(isOn) => $isSung.set(isOn)}>
            Sing along
          </Toggle>
        </div>
        {refusal !== undefined && <p role="alert">{refusal}</p>}
        <div className={styles.scroll}>
          {engraved && current && (
            <Staff
              tune={engraved.tune}
              text={engraved.text}
              characteristic={NONE}
              phraseEnds={NONE}
              pointed={pointed}
              label={reshapedStaffText(title, current.homeMode, allNotes(engraved.tune).length)}
            />
          )}
          <ol className={styles.ladder} aria-label="The tune in each mode">
            {rungs.map((rung) => {
              const { homeMode } = rung;
              const { mode } = homeMode;
              return (
                <li key={mode.id}>
                  <button
                    type="button"
                    className={styles.rung}
                    data-shade={shadeOf(brightness(mode.intervals))}
                    aria-pressed={rung === current}
                    onClick={() => chooseRung(rung)}
                  >
                    <strong>{homeModeText(homeMode)}</strong>
                    <small>{rungText(rung)}</small>
                    <span className={styles.syllables}>
                      {rung.tune.notes.map(({ pitch }, at) => (
                        <span key={at} data-current={(rung === current && at === note) || undefined}>
                          {solfegeNote(pitch.name, homeMode, conventions.syllables)}{" "}
                        </span>
                      ))}
                    </span>
                  </button>
                </li>
              );
            })}
          </ol>
        </div>
      </div>
      {current && (
        <Panel
          title={homeModeText(current.homeMode)}
          acts={
            <>
              <Button kind="main" aria-pressed={heard === "one"} onClick={() => hearRows(current)}>
                Hear this one
              </Button>
              <Button
                onClick={() =>
                  changeRecipe({
                    mode: current.homeMode.mode.id,
                    way: way === "parallel" ? "parallel" : "relative",
                    home: way === "parallel" ? undefined : recipe.home,
                  })
                }
              >
                Take this mode
              </Button>
            </>
          }
        >
          {isSung && <Saying>{SING_SAYS}</Saying>}
          <Saying>{modelTuneText(missing)}</Saying>
          <div>
            <Button
              aria-pressed={isModel}
              onClick={() =>
                changeSettings({
                  modelTune: isModel ? undefined : { title, source: document.source, text: document.text },
                })
              }
            >
              My model tune
            </Button>
          </div>
          {rungText(current) !== "" && <Saying>{`From the row above: ${rungText(current)}.`}</Saying>}
        </Panel>
      )}
    </div>
  );
}
