import { useStore } from "@nanostores/react";
import { useEffect, useRef, useState } from "react";
import { LINE_FIGURES, positions, type System, SYSTEMS } from "@/core/instrument";
import { fifthsOf, printName } from "@/core/pitch";
import { findModes, type HomeMode, mode as modeById } from "@/core/scale";
import { $hand, $place, $ready, $settings, $sheetNeck, positionAt, start } from "@/session";
import { type Practice, practiceSheet } from "./practice-document";
import { RHYTHMS } from "@/audio";
import { Button, Choice, Select, TextField, Toggle } from "@/kit/controls";
import { saveFiles } from "@/kit/files";
import { useWording } from "@/session/settings/useConventions";
import {
  FIGURE_TEXT,
  handText,
  homeModeText,
  positionText,
  systemText,
  wording,
  modeRefusedText,
  sheetFullText,
  sheetFailedText,
  playedOnText,
} from "@/words";
import { pagesOf, PAPERS, sheetFiles } from "@/kit/sheet";
import { blocksOf } from "./practice";
import { PracticeDrawing } from "./PracticeDrawing";
import { SheetActs } from "./SheetActs";
import styles from "./SheetPage.module.css";

/** Modes on a sheet at most. */
const MAX_MODES = 24;

const written = ({ home, mode }: HomeMode) => ({ home: printName(home), mode: mode.id });
const read = ({ home, mode }: Practice["modes"][number]): HomeMode => ({
  home: fifthsOf(home),
  mode: modeById(mode),
});

/** A practice sheet: chosen modes, positions and lines on pages, to be printed or saved. */
export function PracticePage() {
  const place = useStore($place);
  const settings = useStore($settings);
  const chosen = useStore(practiceSheet.$value);
  const ready = useStore($ready);
  const { instrument, tuning } = useStore($sheetNeck);
  const wordingKey = useWording();
  const pages = useRef<HTMLDivElement>(null);
  const [trouble, setTrouble] = useState("");
  useEffect(() => void start(), []);
  // The mode of the address is the first of the sheet unless it is on it already.
  const selected = written(place);
  const modes = chosen.modes.length > 0 ? chosen.modes : [selected];
  const practice = {
    ...chosen,
    modes,
    system: chosen.system ?? settings.system,
    figures: chosen.figures ?? [settings.figure],
    octaves: chosen.octaves ?? settings.octaves,
  };
  const change = (part: Partial<Practice>) => practiceSheet.change({ modes, ...part });
  const sheets = pagesOf(blocksOf({ ...practice, modes: modes.map(read) }, tuning), PAPERS[settings.paper]);
  const save = (kind: "svg" | "png") => {
    setTrouble("");
    const drawings = [...(pages.current?.querySelectorAll("svg") ?? [])];
    sheetFiles(drawings, "practice", kind)
      .then((files) => saveFiles("practice", files))
      .catch((error: unknown) => setTrouble(sheetFailedText(error)));
  };
  const add = (text: string): string | undefined => {
    if (text.trim() === "") return undefined;
    const [found] = findModes(text, place.home, wording().noteNames);
    if (!found) return modeRefusedText(text);
    if (modes.length >= MAX_MODES) return sheetFullText(MAX_MODES);
    change({ modes: [...modes, written(found.homeMode)] });
    return undefined;
  };

  return (
    <main className={styles.sheet} data-ready={ready || undefined}>
      <h1 className="visually-hidden">Practice sheet</h1>
      <SheetActs kind="practice" onSvg={() => save("svg")} onPng={() => save("png")} trouble={trouble} />
      <div className={styles.chosen}>
        <p className={styles.line}>
          <span>Practise</span>
          {modes.map((each, at) => (
            <span key={`${each.home} ${each.mode} ${at}`} className={styles.mode}>
              {homeModeText(read(each))}
              {modes.length > 1 && (
                <button
                  type="button"
                  aria-label={`Take ${homeModeText(read(each))} off the sheet`}
                  onClick={() => change({ modes: modes.filter((other) => other !== each) })}
                >
                  ×
                </button>
              )}
            </span>
          ))}
          <TextField
            label="Another mode for the sheet"
            value=""
            width={16}
            size="small"
            placeholder="and E Phrygian"
            onCommit={add}
          />
          {!modes.some(({ home, mode }) => home === selected.home && mode === selected.mode) && (
            <Button kind="quiet" onClick={() => change({ modes: [...modes, selected] })}>
              {`and ${homeModeText(place)}`}
            </Button>
          )}
        </p>
        <p className={styles.line}>
          <span>in</span>
          <Select
            label="How the neck is divided"
            size="small"
            value={practice.system}
            options={SYSTEMS.map((value) => ({ value, text: systemText(value, tuning).toLowerCase() }))}
            onChange={(system) => change({ system, hands: [] })}
          />
          <Hands practice={practice} onChange={(hands) => change({ hands })} />
          <Choice
            label="Note labels"
            size="small"
            value={practice.labels}
            options={[
              { value: "notes", text: "notes" },
              { value: "degrees", text: "degrees" },
              { value: "fingers", text: "fingers" },
            ]}
            onChange={(labels) => change({ labels })}
          />
        </p>
        <p className={styles.line}>
          <span>with</span>
          {LINE_FIGURES.map((figure) => (
            <Toggle
              key={figure}
              isOn={practice.figures.includes(figure)}
              onChange={(isOn) =>
                change({
                  figures: LINE_FIGURES.filter((each) =>
                    each === figure ? isOn : practice.figures.includes(each),
                  ),
                })
              }
            >
              {FIGURE_TEXT[figure]}
            </Toggle>
          ))}
          <Choice
            label="Octaves"
            size="small"
            value={String(practice.octaves)}
            options={[
              { value: "1", text: "one octave" },
              { value: "2", text: "two" },
            ]}
            onChange={(value) => change({ octaves: value === "2" ? 2 : 1 })}
          />
        </p>
      </div>
      <div ref={pages} className={styles.pages}>
        {sheets.map((page, at) => (
          <div key={`${wordingKey} ${at}`} className={styles.page}>
            <PracticeDrawing
              perBeat={RHYTHMS[settings.rhythm]}
              playedOn={playedOnText(instrument, tuning)}
              page={page}
              height={PAPERS[settings.paper]}
              number={at + 1}
              pages={sheets.length}
              tuning={tuning}
              isLeft={settings.leftHanded}
              labels={practice.labels}
            />
          </div>
        ))}
      </div>
    </main>
  );
}

/** Which positions of the first mode, where not all of them; the selected one can be picked at once. */
function Hands(props: {
  readonly practice: Pick<Practice, "modes" | "hands"> & { readonly system: System };
  readonly onChange: (hands: number[]) => void;
}) {
  const { practice, onChange } = props;
  const { tuning } = useStore($sheetNeck);
  const hand = useStore($hand);
  const [first] = practice.modes;
  const all = first ? positions(tuning, read(first), practice.system) : [];
  const chosen = practice.hands[0];
  const near = positionAt(all, hand);
  return (
    <Select
      label="Which positions"
      size="small"
      value={chosen === undefined ? "all" : String(chosen)}
      options={[
        { value: "all", text: "every position" },
        ...all.map((each) => ({
          value: String(each.hand),
          text: `${each === near ? "the selected one" : "only the one"} ${handText(each, tuning)}, ${positionText(each)}`,
        })),
      ]}
      onChange={(value) => onChange(value === "all" ? [] : [Number(value)])}
    />
  );
}
