import { useStore } from "@nanostores/react";
import { useState } from "react";
import { CLAIMS, type Claim, type Condition, type Dropped } from "@/core/chord";
import { type HomeMode, mode as modeById } from "@/core/scale";
import { $settings, setHomeMode, setPlace } from "@/session";
import { modeQuestion, type Question } from "./question-document";
import { PitchStrip } from "@/kit/pitch-strip";
import { Button, Select, TextField, Toggle, HomeField } from "@/kit/controls";
import { shadeOf } from "@/kit/shade";
import {
  brightnessText,
  CLAIM_TEXT,
  countText,
  degreeText,
  dropText,
  foundText,
  homeModeText,
  neededText,
  NOTHING_TO_DROP,
  numberText,
  problemText,
  notesRefusedText,
  comesNearestText,
} from "@/words";
import type { ModesAnswer, AnsweringMode } from "@/workers";
import { $answer, readChords, readNotesOrDegrees } from "./asked";
import view from "@/shell/frame/View.module.css";
import styles from "./AskShow.module.css";

const AMONG = [
  { value: "7", text: "all 462 modes of seven notes" },
  { value: "named", text: "all modes that have a name" },
  ...[5, 6, 8].map((count) => ({ value: String(count), text: `all modes of ${numberText(count)} notes` })),
];

/** How many rows are shown before more are asked for. */
const ROWS = 30;

/** Questions compared with all modes: notes, chords, claims, neighbours. */
export function AskShow({ homeMode }: { readonly homeMode: HomeMode }) {
  const question = useStore(modeQuestion.$value);
  const { home } = homeMode;
  const { noteNames } = useStore($settings);
  const answer = useStore($answer);
  const flip = (claim: Claim) =>
    modeQuestion.change({
      claims: question.claims.includes(claim)
        ? question.claims.filter((each) => each !== claim)
        : [...question.claims, claim],
    });
  const notesField = (label: string, field: "holds" | "lacks", placeholder: string) => (
    <TextField
      label={label}
      value={question[field]}
      placeholder={placeholder}
      width={11}
      size="small"
      onCommit={(text) => {
        const { unread } = readNotesOrDegrees(text, home, noteNames);
        if (unread !== undefined) return notesRefusedText(unread);
        modeQuestion.change({ [field]: text.trim() });
        return undefined;
      }}
    />
  );
  return (
    <>
      <div className={view.sentence}>
        <h1 className="visually-hidden">Search modes</h1>
        <span>Find</span>
        <Select
          label="Which modes are asked"
          value={String(question.among)}
          options={AMONG}
          onChange={(value) => modeQuestion.change({ among: value === "named" ? value : Number(value) })}
        />
        <span>on</span>
        <HomeField label="Home" value={home} onChange={(note) => setPlace({ home: note })} />
        <Toggle isOn={question.anyHome} onChange={(anyHome) => modeQuestion.change({ anyHome })}>
          or any home
        </Toggle>
      </div>
      <div className={styles.asking}>
        <span>that contain</span>
        {notesField("Notes that they hold", "holds", "these notes")}
        <span>without</span>
        {notesField("Notes that they lack", "lacks", "those")}
        <span>and the chords</span>
        <TextField
          label="Chords that they hold"
          value={question.chords}
          placeholder="Em F G♯"
          width={12}
          size="small"
          onCommit={(text) => {
            const [problem] = readChords(text, noteNames).problems;
            if (problem) return problemText(problem, text);
            modeQuestion.change({ chords: text.trim() });
            return undefined;
          }}
        />
        <span>and have</span>
        {CLAIMS.map((claim) => (
          <Toggle key={claim} isOn={question.claims.includes(claim)} onChange={() => flip(claim)}>
            {CLAIM_TEXT[claim]}
          </Toggle>
        ))}
        <Toggle isOn={question.near} onChange={(near) => modeQuestion.change({ near })}>
          {`lie one note from ${homeModeText(homeMode)}`}
        </Toggle>
      </div>
      <Answered answer={answer} homeMode={homeMode} among={question.among} />
    </>
  );
}

interface AnsweredProps {
  readonly answer: ModesAnswer | undefined;
  readonly homeMode: HomeMode;
  readonly among: Question["among"];
}

function Answered({ answer, homeMode, among }: AnsweredProps) {
  const [shown, setShown] = useState(ROWS);
  if (!answer)
    return (
      <p role="status" className={styles.count}>
        Asking …
      </p>
    );
  const { found, asked: count, needed, nearest, less } = answer;
  return (
    <>
      <p role="status" className={styles.count}>
        {foundText(found.length, count)} {nearest.length > 0 && neededText(needed, among)}
      </p>
      {found.length === 0 && <Less ways={less} />}
      <ul className={styles.rows} aria-label="Modes that answer">
        {found.slice(0, shown).map((each) => (
          <FoundRow key={`${each.home} ${each.id}`} found={each} selected={homeMode} />
        ))}
        {nearest.map(({ home, id, missing }) => {
          const near = { home, mode: modeById(id) };
          return (
            <li key={`${home} ${id}`}>
              <button type="button" className={styles.near} onClick={() => setHomeMode(near)}>
                {comesNearestText(near, missing)}
              </button>
            </li>
          );
        })}
        {found.length > shown && (
          <li>
            <Button onClick={() => setShown(shown + ROWS)}>{`Show more of ${found.length}`}</Button>
          </li>
        )}
      </ul>
    </>
  );
}

/** Where no mode answers: which condition to drop, each way in a press. */
function Less({ ways }: { readonly ways: readonly Dropped[] }) {
  const drop = ({ conditions }: Dropped) => {
    const question = modeQuestion.$value.get();
    const has = (code: Condition["code"]) => conditions.some((each) => each.code === code);
    const claims = conditions.flatMap((each) => (each.code === "claim" ? [each.claim] : []));
    modeQuestion.change({
      ...(has("holds") ? { holds: "" } : {}),
      ...(has("lacks") ? { lacks: "" } : {}),
      ...(has("chords") ? { chords: "" } : {}),
      ...(has("near") ? { near: false } : {}),
      ...(has("home") ? { anyHome: true } : {}),
      claims: question.claims.filter((claim) => !claims.includes(claim)),
    });
  };
  if (ways.length === 0) return <p>{NOTHING_TO_DROP}</p>;
  return (
    <ul className={styles.less}>
      {ways.slice(0, WAYS).map((way) => (
        <li key={dropText(way)}>
          <Button kind="quiet" onClick={() => drop(way)}>
            {dropText(way)}
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** Ways to ask for less that are offered. */
const WAYS = 4;

/** A mode that answers: its strip, characteristic notes and how many neighbours it has; pressed, it is selected. */
function FoundRow({ found, selected }: { readonly found: AnsweringMode; readonly selected: HomeMode }) {
  const homeMode = { home: found.home, mode: modeById(found.id) };
  const { characteristic } = found;
  const neighbours = found.brighter.length + found.darker.length;
  const said = [
    characteristic.length === 0
      ? "no characteristic note"
      : `characteristic ${characteristic.map(degreeText).join(" ")}`,
    countText(neighbours, "neighbour"),
  ].join(", ");
  return (
    <li>
      <button
        type="button"
        className={styles.row}
        data-shade={shadeOf(found.brightness)}
        aria-pressed={selected.home === found.home && selected.mode.id === found.id}
        aria-label={`${homeModeText(homeMode)}, ${said}, brightness ${brightnessText(found.brightness)}`}
        onClick={() => setHomeMode(homeMode)}
      >
        <span className={styles.name}>
          <strong>{homeModeText(homeMode)}</strong>
          <small>{said}</small>
        </span>
        <PitchStrip homeMode={homeMode} />
        <span className={styles.brightness}>{brightnessText(found.brightness)}</span>
      </button>
    </li>
  );
}
