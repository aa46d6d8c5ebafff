import { useStore } from "@nanostores/react";
import { type ReactNode, useMemo, useState } from "react";
import type { Identification } from "@/core/identify";
import { ladder, LADDERS, type LadderWay, missingDegrees } from "@/core/reshape";
import { brightness } from "@/core/scale";
import { allNotes, excerptOf, type Tune } from "@/core/tune";
import { writeAbc } from "@/formats";
import { chordedScore, oneAfterAnother } from "@/audio";
import { $mark, $playing, $settings, changeSettings, reshapeDocument, toggle } from "@/session";
import { useConventions } from "@/session/useConventions";
import { useKeys } from "@/session/useKeys";
import { Button, Choice, NumberField } from "@/kit/controls";
import { Panel, Saying } from "@/kit/panel";
import { shadeOf } from "@/kit/shade";
import { Staff } from "@/kit/staff";
import { homeModeText, LADDER_TEXT, modelTuneText, reshapedStaffText, rungText, solfegeNote } from "@/words";
import view from "@/shell/frame/View.module.css";
import { $recipe, changeRecipe, fromOf } from "./reshaped";
import styles from "./Reshape.module.css";

interface ModesShowProps {
  readonly tabs: ReactNode;
  readonly refusal: string | undefined;
  readonly tune: Tune;
  readonly found: Identification;
}

/** The name under which the tune is played through all modes. */
const LADDER = "reshape-ladder";

const NONE: readonly number[] = [];

/** The tune through all modes of its family, one under another, each with its syllables; played, the row follows. */
export function ModesShow({ tabs, refusal, tune, found }: ModesShowProps) {
  const conventions = useConventions();
  const recipe = useStore($recipe);
  const mark = useStore($mark);
  const playing = useStore($playing);
  const [way, setWay] = useState<LadderWay>("parallel");
  const [bars, setBars] = useState(Math.min(4, tune.bars.length));
  const [chosen, setChosen] = useState<string>();
  const from = fromOf(recipe, found);
  const phrase = useMemo(
    () => ({ ...excerptOf(tune, { from: 0, to: Math.max(0, bars - 1) }), chords: [] }),
    [tune, bars],
  );
  const rungs = useMemo(() => ladder(phrase, from, way), [phrase, from, way]);
  const isPlaying = playing === LADDER;
  const nth =
    isPlaying && mark !== undefined ? mark : rungs.findIndex(({ homeMode }) => homeMode.mode.id === chosen);
  const current = rungs[nth] ?? rungs.find(({ homeMode }) => homeMode.mode === from.mode) ?? rungs[0];
  const engraved = useMemo(() => current && writeAbc(current.tune), [current]);
  const play = () => toggle(LADDER, oneAfterAnother(rungs.map((each) => chordedScore(each.tune))));
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
            value={bars}
            least={1}
            most={Math.min(32, tune.bars.length)}
            unit="bars"
            onChange={setBars}
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
            onChange={setWay}
          />
          <Button keyName="u" aria-pressed={isPlaying} onClick={play}>
            {isPlaying ? "Stop" : "Play all"}
          </Button>
        </div>
        {refusal !== undefined && <p role="alert">{refusal}</p>}
        <div className={styles.scroll}>
          {engraved && current && (
            <Staff
              tune={engraved.tune}
              text={engraved.text}
              characteristic={NONE}
              phraseEnds={NONE}
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
                    onClick={() => setChosen(mode.id)}
                  >
                    <strong>{homeModeText(homeMode)}</strong>
                    <small>{rungText(rung)}</small>
                    <span>
                      {rung.tune.notes
                        .map(({ pitch }) => solfegeNote(pitch.name, homeMode, conventions.syllables))
                        .join(" ")}
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
              <Button
                kind="main"
                aria-pressed={playing === `${LADDER} ${current.homeMode.mode.id}`}
                onClick={() => toggle(`${LADDER} ${current.homeMode.mode.id}`, chordedScore(current.tune))}
              >
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
