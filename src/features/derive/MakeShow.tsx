import { useState } from "react";
import {
  familyOf,
  findModes,
  flipped,
  type HomeMode,
  isNamed,
  type Mode,
  modeOf,
  parallels,
  size,
} from "@/core/scale";
import type { Problem } from "@/core/problem";
import { openFileAs, openFiles, setHomeMode, setPlace } from "@/session";
import { useIncoming } from "@/session/place/useIncoming";
import { StripEditor } from "@/kit/pitch-strip";
import { Button, FileButton, TextField, HomeField } from "@/kit/controls";
import { Problems } from "@/kit/problems";
import { UndoTools } from "@/shell/documents";
import {
  homeModeText,
  listText,
  modeText,
  noteText,
  symmetryText,
  wording,
  SCALE_NEEDS_NOTES,
  scaleRefusedText,
  uncataloguedText,
  stepsAndNearestText,
  rotationsText,
} from "@/words";
import { Ladder } from "./Ladder";
import { MODE_NAMES } from "./modeNames";
import { DERIVE } from "./route";
import { makeScale, scaleSteps } from "./scale-steps";
import view from "@/shell/frame/View.module.css";
import styles from "./MakeShow.module.css";

/** Any set of 2 to 12 notes, made by opening and shutting cells, typed, or read from a file; named, or described. */
export function MakeShow({ homeMode }: { readonly homeMode: HomeMode }) {
  const { home, mode } = homeMode;
  const [refused, setRefused] = useState("");
  const family = familyOf(mode);

  const flip = (step: number) => {
    const sounds = flipped(mode.sounds, step);
    if (size(sounds) < 2) setRefused(SCALE_NEEDS_NOTES);
    else {
      setRefused("");
      makeScale(modeOf(sounds));
    }
  };
  const take = (text: string) => {
    const [found] = findModes(text, home, wording().noteNames);
    if (!found) return scaleRefusedText(text);
    setHomeMode(found.homeMode);
    return undefined;
  };

  return (
    <>
      <div className={view.sentence}>
        <h1 className="visually-hidden">Make a scale on {noteText(home)}</h1>
        <span>Home</span>
        <HomeField label="Home" value={home} onChange={(note) => setPlace({ home: note })} />
        <span>with these notes on, or type</span>
        <TextField
          label="Degrees, notes or a name"
          value=""
          placeholder="1 2 b3 #4"
          suggestions={MODE_NAMES}
          width={15}
          onCommit={(text) => (text.trim() === "" ? undefined : take(text))}
        />
        <div className={view.right}>
          <UndoTools of={scaleSteps} />
          <ScalaFile onRead={makeScale} />
        </div>
      </div>
      <StripEditor homeMode={homeMode} onFlip={flip} />
      <div className={styles.verdict} role="status">
        {refused !== "" && <p role="alert">{refused}</p>}
        <Verdict homeMode={homeMode} />
      </div>
      <Ladder
        rows={parallels(family, home)}
        selected={homeMode}
        alignment="parallel"
        label={`The rotations of ${homeModeText(homeMode)} on ${noteText(home)}`}
        onSelect={setHomeMode}
      />
    </>
  );
}

/** What the cells make: its name and other names, or how many notes it has and what is nearest; how it repeats. */
function Verdict({ homeMode }: { readonly homeMode: HomeMode }) {
  const { mode } = homeMode;
  const symmetry = symmetryText(homeMode);
  const rotations = familyOf(mode).modes.length;
  return (
    <>
      <p className={styles.named}>{isNamed(mode) ? namedText(mode) : uncataloguedText(mode)}</p>
      {!isNamed(mode) && <p>{stepsAndNearestText(homeMode)}</p>}
      <p>{symmetry === "" ? rotationsText(rotations) : symmetry}</p>
    </>
  );
}

function namedText(mode: Mode): string {
  const name = `This is ${modeText(mode)}`;
  return mode.aliases.length === 0 ? `${name}.` : `${name}, also called ${listText(mode.aliases)}.`;
}

/** Larger files are no scale. */
const MAX_BYTES = 100_000;

/** Reads a Scala file: a twelve-tone scale becomes the selected set, of any other it is said why not. */
function ScalaFile({ onRead }: { readonly onRead: (mode: Mode) => void }) {
  const [read, setRead] = useState<{
    readonly text: string;
    readonly problems: readonly Problem[];
  }>();
  const open = async (file: File) => {
    const read = await openFileAs("scala", new File([file.slice(0, MAX_BYTES)], file.name));
    const { text, value, problems } =
      "answer" in read ? read.answer : { text: "", value: undefined, problems: [read.stopped] };
    setRead({ text, problems });
    if (value?.sounds !== undefined) onRead(modeOf(value.sounds));
  };
  useIncoming(DERIVE, (files) => {
    if (files[0]) void open(files[0]);
  });
  return (
    <span className={styles.file}>
      <FileButton label="Scala file" accept=".scl,text/plain" onFile={(file) => void openFiles([file])}>
        Open a Scala file
      </FileButton>
      {read && read.problems.length > 0 && (
        <span className={styles.problems}>
          <Problems problems={read.problems} text={read.text} />
          <Button kind="quiet" onClick={() => setRead(undefined)}>
            Close
          </Button>
        </span>
      )}
    </span>
  );
}
