import { useStore } from "@nanostores/react";
import { type ReactNode, useCallback, useMemo, useState } from "react";
import type { Identification } from "@/core/identify";
import { type Fifths, fifthsOf, midiOf, printName, soundOf, staffPlace } from "@/core/pitch";
import { characteristicOn, enharmonicHome, familyOf } from "@/core/scale";
import { allNotes, type Tune } from "@/core/tune";
import { writeAbc } from "@/formats";
import { $instrument, $toSave, $tuning, openFiles, whenComputed } from "@/session";
import { MAX_VERSIONS, reshapeDocument } from "./reshape-document";
import { barsFrom, fromStaff, onStaff, staffPart } from "@/session/stage/staff-part";
import { useConventions } from "@/session/settings/useConventions";
import { useKeys } from "@/session/place/useKeys";
import { DocumentTools } from "@/shell/documents";
import { ExportDialog, MusicSheet, ShownBars } from "@/shell/tune";
import { Button, Choice, FileButton, HomeField, Select } from "@/kit/controls";
import { Staff } from "@/kit/staff";
import {
  easierText,
  familyText,
  homeModeText,
  barRangeText,
  modeOptions,
  noteText,
  RESHAPE_SHEET,
  reshapedStaffText,
  solfegeNote,
  versionName,
} from "@/words";
import view from "@/shell/frame/View.module.css";
import { ChangePanel } from "./ChangePanel";
import { TUNE_ACCEPT } from "./EmptyShow";
import { RecipeRows } from "./RecipeRows";
import {
  $at,
  $chosen,
  $homeMode,
  $recipe,
  $shown,
  $versions,
  $worked,
  changeRecipe,
  chooseNote,
  fromOf,
  fromValue,
} from "./reshaped";
import { SetNote } from "./SetNote";
import { tablatureOf } from "./tablature";
import type { Typing } from "./TuneField";
import { WriteTune } from "./WriteTune";
import styles from "./Reshape.module.css";

interface MelodyShowProps extends Typing {
  readonly tabs: ReactNode;
  readonly refusal: string | undefined;
  readonly tune: Tune;
  readonly found: Identification;
}

const NONE: readonly number[] = [];

/** A tune in another mode: on its staff, with what changed, its chords and its versions. */
export function MelodyShow({ tabs, refusal, tune, found, typing, onTyping }: MelodyShowProps) {
  const conventions = useConventions();
  const shown = useStore($shown) ?? tune;
  const worked = useStore($worked);
  const versions = useStore($versions);
  const recipe = useStore($recipe);
  const homeMode = useStore($homeMode) ?? found.homeMode;
  const at = useStore($at);
  const chosenPlace = useStore($chosen);
  const [isExporting, setExporting] = useState(false);
  const [isPrinting, setPrinting] = useState(false);
  const print = () => whenComputed(() => setPrinting(true));
  const exportTune = () => whenComputed(() => setExporting(true));
  const [turned, setTurned] = useState(0);
  const [hasSyllables, setSyllables] = useState(false);
  const instrument = useStore($instrument);
  const tuning = useStore($tuning);
  const tablature = useMemo(() => {
    const lowest = Math.min(...shown.notes.map(({ pitch }) => midiOf(pitch)));
    return tablatureOf(instrument, tuning, lowest);
  }, [instrument, tuning, shown]);
  const value = useStore(reshapeDocument.$value);
  const from = fromOf(recipe, found);
  const isOriginal = at < 0;
  // The notes that are left, by their places in the tune before.
  const places = useMemo(
    () =>
      isOriginal || !worked
        ? allNotes(tune).map((_, place) => place)
        : worked.changes.filter(({ after }) => after !== undefined).map(({ place }) => place),
    [isOriginal, worked, tune],
  );
  const write = useCallback(
    (part: Tune) =>
      writeAbc(
        part,
        hasSyllables
          ? { words: ({ pitch }) => solfegeNote(pitch.name, homeMode, conventions.syllables) }
          : {},
      ),
    [hasSyllables, homeMode, conventions.syllables],
  );
  const part = useMemo(() => staffPart(shown, turned, write), [shown, turned, write]);
  const { engraved } = part;
  const first = part.from ?? 0;
  // Notes on the staff that have changed, and where each stood before in places of the staff from where it stands now.
  const outlines = useMemo(() => {
    const all = isOriginal || !worked ? [] : allNotes(engraved);
    return new Map(
      all.flatMap((_, there): [number, number][] => {
        const change = worked?.changes[places[fromStaff(part, there)] ?? -1];
        if (change?.after === undefined || !change.isMoved) return [];
        return [[there, staffPlace(change.before) - staffPlace(change.after)]];
      }),
    );
  }, [isOriginal, worked, engraved, part, places]);
  // Where every note has moved, the outlines say so by themselves.
  const changed = useMemo(
    () => (outlines.size === allNotes(engraved).length ? NONE : [...outlines.keys()]),
    [outlines, engraved],
  );
  const characteristic = useMemo(() => {
    const sounds = new Set(characteristicOn(homeMode).map(soundOf));
    return allNotes(engraved).flatMap(({ pitch }, nth) => (sounds.has(soundOf(pitch.name)) ? [nth] : []));
  }, [homeMode, engraved]);
  const bars = useMemo(() => recipe.bars && barsFrom(recipe.bars, -first), [recipe.bars, first]);
  const title = tune.title || value.name;
  const setHome = (home: Fifths) => changeRecipe({ home: home === from.home ? undefined : printName(home) });
  // Where the parent's notes stay they keep their names.
  const easier = recipe.way === "parallel" && worked ? enharmonicHome(worked.to) : undefined;
  const show = (next: number) => reshapeDocument.change({ at: next }, "version");
  const add = () =>
    value.versions.length < MAX_VERSIONS &&
    reshapeDocument.change({ versions: [...value.versions, recipe], at: value.versions.length });
  const remove = () =>
    value.versions.length > 1 &&
    at >= 0 &&
    reshapeDocument.change({
      versions: value.versions.filter((_, nth) => nth !== at),
      at: Math.max(0, at - 1),
    });
  const save = () =>
    $toSave.set({
      ...{ kind: "reshaping", words: "", recipe },
      title: `${title || "Tune"}, ${homeModeText(worked?.to ?? homeMode)}`,
      source: value.source,
      text: value.text,
    });
  useKeys("Reshape", [
    {
      key: "v",
      says: "Show the next version, or the original",
      act: () => show(at + 1 >= versions.length ? -1 : at + 1),
    },
    { key: "V", says: "Go on with a new version", act: add },
    {
      key: "w",
      says: "Parallel or relative",
      act: () => changeRecipe({ way: recipe.way === "parallel" ? "relative" : "parallel" }),
    },
    { key: "k", says: "Save this version", act: save },
    { key: "P", says: "Print the tune", act: print },
    { key: "x", says: "Export the tune", act: exportTune },
  ]);
  const chosen = chosenPlace === undefined ? undefined : onStaff(part, [places.indexOf(chosenPlace)])[0];
  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className="visually-hidden">A tune in another mode</h1>
          <strong className={styles.title} title={title}>
            {title || "Tune"}
          </strong>
          <span>from</span>
          <HomeField
            label="Home of the tune"
            size="small"
            value={from.home}
            onChange={(home) => changeRecipe({ from: fromValue({ ...from, home }) })}
          />
          <Select
            label="Mode of the tune"
            size="small"
            value={from.mode.id}
            options={modeOptions(from.mode)}
            onChange={(id) => changeRecipe({ from: { home: printName(from.home), mode: id } })}
          />
          <span>into</span>
          {recipe.way === "parallel" && (
            <HomeField
              label="New home"
              value={recipe.home === undefined ? from.home : fifthsOf(recipe.home)}
              onChange={setHome}
            />
          )}
          {recipe.way === "relative" && <strong>{noteText(worked?.to.home ?? from.home)}</strong>}
          <Select
            label="New mode"
            value={recipe.mode}
            options={modeOptions(worked?.to.mode ?? from.mode)}
            onChange={(mode) => changeRecipe({ mode })}
          />
          {easier !== undefined && (
            <Button kind="quiet" onClick={() => setHome(easier)}>
              {easierText(easier)}
            </Button>
          )}
          <Choice
            label="What stays"
            size="small"
            value={recipe.way}
            options={[
              { value: "parallel", text: "Parallel (same home)" },
              { value: "relative", text: "Relative (same notes)" },
            ]}
            onChange={(way) => changeRecipe({ way })}
          />
        </div>
        <div className={styles.row}>
          <Choice
            label="Version"
            size="small"
            value={String(at)}
            options={[-1, ...versions.keys()].map((nth) => ({ value: String(nth), text: versionName(nth) }))}
            onChange={(nth) => show(Number(nth))}
          />
          <Button kind="quiet" keyName="V" disabled={value.versions.length >= MAX_VERSIONS} onClick={add}>
            New version
          </Button>
          {value.versions.length > 1 && at >= 0 && (
            <Button kind="quiet" onClick={remove}>
              {`Remove ${versionName(at)}`}
            </Button>
          )}
          <DocumentTools document={reshapeDocument} name="tune" />
          <span className={view.right}>
            <Button kind="quiet" aria-pressed={hasSyllables} onClick={() => setSyllables(!hasSyllables)}>
              Solfège
            </Button>
            <Button
              kind="quiet"
              aria-pressed={typing !== undefined}
              onClick={() => onTyping(typing ? undefined : "staff")}
            >
              Write
            </Button>
            <FileButton
              kind="quiet"
              label="Open a tune"
              accept={TUNE_ACCEPT}
              onFile={(file) => void openFiles([file])}
            >
              Open a file
            </FileButton>
            <Button kind="quiet" keyName="x" aria-haspopup="dialog" onClick={exportTune}>
              Export
            </Button>
            <Button kind="quiet" keyName="P" aria-haspopup="dialog" onClick={print}>
              Print
            </Button>
          </span>
        </div>
        {refusal !== undefined && <p role="alert">{refusal}</p>}
        <div className={styles.scroll}>
          {typing ? (
            <WriteTune typing={typing} onTyping={onTyping} />
          ) : (
            <Staff
              tune={engraved}
              text={part.abc}
              characteristic={characteristic}
              phraseEnds={NONE}
              pointed={changed}
              outlines={outlines}
              bars={bars}
              chosen={chosen}
              onChoose={(there) =>
                chooseNote(there === undefined ? undefined : places[fromStaff(part, there)])
              }
              onBars={(range) => changeRecipe({ bars: range && barsFrom(range, first) })}
              label={reshapedStaffText(title, homeMode, allNotes(engraved).length)}
            />
          )}
          {!typing && (
            <ShownBars
              shown={part}
              onTurn={(bar) => {
                setTurned(bar);
                chooseNote(undefined);
              }}
            />
          )}
          <div className={styles.note} role="status">
            {chosenPlace !== undefined && worked && !isOriginal && worked.changes[chosenPlace] && (
              <SetNote change={worked.changes[chosenPlace]} tune={tune} from={from} to={worked.to} />
            )}
            {recipe.bars && (
              <span>
                {`Only ${barRangeText(tune, recipe.bars)} change.`}{" "}
                <Button kind="quiet" onClick={() => changeRecipe({ bars: undefined })}>
                  All bars
                </Button>
              </span>
            )}
          </div>
          {worked && <RecipeRows tune={tune} recipe={recipe} worked={worked} />}
        </div>
        <ExportDialog open={isExporting} onClose={() => setExporting(false)} tune={shown} title={title} />
        <MusicSheet
          title={RESHAPE_SHEET}
          fileName="lead-sheet"
          name={title || "Tune"}
          answer={homeModeText(homeMode)}
          shown={part}
          write={write}
          tablature={shown.beneath ? undefined : tablature}
          modes={[{ homeMode, where: familyText(familyOf(homeMode.mode)) }]}
          open={isPrinting}
          onClose={() => setPrinting(false)}
        />
      </div>
      {worked && (
        <ChangePanel
          tune={tune}
          worked={worked}
          from={from}
          isOriginal={isOriginal}
          chosen={chosenPlace}
          shown={part.from === undefined ? undefined : { from: first, to: first + engraved.bars.length - 1 }}
          onSave={save}
        />
      )}
    </div>
  );
}
