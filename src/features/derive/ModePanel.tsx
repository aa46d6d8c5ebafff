import { useStore } from "@nanostores/react";
import { memo } from "react";
import {
  enharmonicHome,
  familyOf,
  type HomeMode,
  oneMoreOrFewer,
  oneNoteAway,
  parentOf,
  relatives,
  type Swap,
} from "@/core/scale";
import { printName } from "@/core/pitch";
import { $playing, $settings, changeSettings, setHomeMode, setPlace, withPart } from "@/session";
import { Button, Choice, Select, WrittenField, HomeField } from "@/kit/controls";
import { saveFile } from "@/kit/files";
import { ComparisonSelect, HearAndSave, OwnWordsFields, OwnWordsSaid, ReferenceSelect } from "@/shell/panel";
import { Facts, Fold, Panel, Saying } from "@/kit/panel";
import { useConventions, useWording } from "@/session/settings/useConventions";
import {
  backwardsText,
  capital,
  countSentence,
  easierText,
  distinguishingText,
  homeChordText,
  homeModeText,
  intervalsText,
  inTitle,
  MODE_FOLD,
  modeText,
  noteText,
  ordinalText,
  shortName,
  stepsText,
  solfegeText,
  vampText,
  whatItIs,
  neighbourText,
  neighbourChangeText,
  NO_NEIGHBOUR,
} from "@/words";
import { playVamp } from "@/shell/selected";
import styles from "./ModePanel.module.css";

/** The pages of the panel: what the mode is, its working, what is the user's own. */
export const PAGES = ["says", "working", "yours"] as const;
export type Page = (typeof PAGES)[number];

interface ModePanelProps {
  readonly homeMode: HomeMode;
  /** The mode whose working is shown: it follows the title as soon as there is time. */
  readonly settled?: HomeMode;
  readonly page: Page;
  readonly onPage: (page: Page) => void;
  readonly swap: Swap | undefined;
  readonly onSwap: () => void;
  readonly onSave: () => void;
}

/** The panel of Derive: what the mode is, the count from its parent, its chords and its neighbours. */
export function ModePanel({
  homeMode,
  settled = homeMode,
  page,
  onPage,
  swap,
  onSwap,
  onSave,
}: ModePanelProps) {
  const { home, mode } = homeMode;
  return (
    <Panel
      title={homeModeText(homeMode)}
      corner={
        <Choice
          label="Page of the panel"
          size="small"
          value={page}
          onChange={onPage}
          options={[
            { value: "says", text: "In words" },
            { value: "working", text: "Working" },
            { value: "yours", text: "Yours" },
          ]}
        />
      }
      acts={<HearAndSave hear="Hear it" swap={swap && { home, swap, onSwap }} onSave={onSave} />}
    >
      {page === "says" && <Says homeMode={settled} />}
      {page === "working" && <Working homeMode={settled} />}
      {page === "yours" && <Yours key={mode.id} homeMode={homeMode} />}
    </Panel>
  );
}

/** Height of a window in which nothing needs to fold. */
const ROOMY = 900;

/** What it is in plain sentences, the count, home chord, vamp, neighbours. */
const Says = memo(function Says({ homeMode }: { readonly homeMode: HomeMode }) {
  useWording();
  const conventions = useConventions();
  const playing = useStore($playing);
  const { modeFold } = useStore($settings);
  const vamp = vampText(homeMode);
  const easier = enharmonicHome(homeMode);
  const solfege = solfegeText(homeMode, conventions.syllables);
  return (
    <>
      <Saying>{whatItIs(homeMode, conventions)}</Saying>
      <OwnWordsSaid mode={homeMode.mode} />
      {easier !== undefined && (
        <p>
          <button type="button" className={styles.link} onClick={() => setPlace({ home: easier })}>
            {easierText(easier)}
          </button>
        </p>
      )}
      <Facts
        rows={[
          ["Home chord", homeChordText(homeMode)],
          ...(vamp === ""
            ? []
            : [
                [
                  "Best vamp",
                  <span key="vamp" className={styles.vamp}>
                    <span>{vamp}</span>
                    <Button
                      kind="quiet"
                      keyName="v"
                      aria-label={`Hear the vamp ${vamp}`}
                      aria-pressed={playing === "vamp"}
                      onClick={() => playVamp(homeMode)}
                    >
                      Hear
                    </Button>
                  </span>,
                ] as const,
              ]),
        ]}
      />
      <Fold
        name={MODE_FOLD}
        isOpen={modeFold ?? window.innerHeight >= ROOMY}
        onOpen={(isOpen) => changeSettings({ modeFold: isOpen })}
      >
        <Count homeMode={homeMode} />
        <Facts
          rows={[
            ...(solfege === "" ? [] : [["Solfège", solfege] as const]),
            ["One note brighter", <Neighbours key="up" homeMode={homeMode} way="brighter" />],
            ["One note darker", <Neighbours key="down" homeMode={homeMode} way="darker" />],
          ]}
        />
      </Fold>
    </>
  );
});

/** The working: intervals by name, what it is told by and told from, every smallest set, one note more or fewer. */
const Working = memo(function Working({ homeMode }: { readonly homeMode: HomeMode }) {
  useWording();
  const conventions = useConventions();
  return (
    <Facts
      rows={[
        ["Steps", stepsText(homeMode)],
        ["Intervals", intervalsText(homeMode)],
        ["Reference scale", <ReferenceSelect key="by" />],
        ["Compared with", <ComparisonSelect key="from" />],
        ["Distinguished by", distinguishingText(homeMode, conventions)],
        ["Counted", backwardsText(homeMode)],
        ["One note more", <Besides key="more" homeMode={homeMode} way="more" />],
        ["One note fewer", <Besides key="fewer" homeMode={homeMode} way="fewer" />],
      ]}
    />
  );
});

/** What is the user's own: words, a model tune, a memory line for the names; and the mode as a file. */
function Yours({ homeMode }: { readonly homeMode: HomeMode }) {
  const { memory } = useStore($settings);
  const { home, mode } = homeMode;
  const family = familyOf(mode);
  const letters = family.modes.map((each) => modeText(each).charAt(0)).join(" ");
  const title = `${printName(home)} ${inTitle(mode.name)}`;
  const plainName = title.replaceAll("♭", "b").replaceAll("♯", "#").replaceAll("♮", "natural ");
  return (
    <>
      <OwnWordsFields mode={mode} />
      <WrittenField
        label={`Your memory line for ${letters}`}
        value={memory[family.id] ?? ""}
        most={300}
        placeholder="A word for each mode, in order"
        onCommit={(text) => changeSettings({ memory: { ...memory, [family.id]: text } })}
      />
      <div className={styles.files}>
        <Button
          kind="quiet"
          onClick={() =>
            void withPart(
              "The export",
              () => import("@/formats/scala"),
              ({ writeScala }) => saveFile(`${mode.id}.scl`, writeScala(homeMode, plainName), "text/plain"),
            )
          }
        >
          Save as Scala
        </Button>
      </div>
    </>
  );
}

/** The count from the parent, both ways: which note of whose scale, each part to be changed; its modes in a row. */
function Count({ homeMode }: { readonly homeMode: HomeMode }) {
  const { memory } = useStore($settings);
  const { family, tonic, degree } = parentOf(homeMode);
  const all = relatives(family, tonic);
  const words = (memory[family.id] ?? "").split(/\s+/u).filter((word) => word !== "");
  return (
    <div className={styles.count}>
      <p className={styles.counted}>
        <span>{`${noteText(homeMode.home)} is the`}</span>
        <Select
          label="Which note of the parent"
          size="small"
          value={String(degree)}
          options={all.map((_, at) => ({ value: String(at + 1), text: ordinalText(at + 1) }))}
          onChange={(number) => {
            const there = all[Number(number) - 1];
            if (there) setHomeMode(there);
          }}
        />
        <span>note of</span>
        <HomeField
          label="Parent’s tonic"
          size="small"
          value={tonic}
          onChange={(note) => setPlace({ home: note + homeMode.home - tonic })}
        />
        <span>{family.name}.</span>
      </p>
      <ol
        className={styles.strip}
        aria-label={countSentence(homeMode)}
        data-many={all.length > 7 || undefined}
      >
        {all.map((each, at) => (
          <li key={each.mode.id}>
            <button
              type="button"
              className={styles.counting}
              aria-current={each.mode === homeMode.mode ? "true" : undefined}
              aria-label={homeModeText(each)}
              title={homeModeText(each)}
              onClick={() => setHomeMode(each)}
            >
              <span>
                <i>{at + 1}</i> {noteText(each.home)}
              </span>
              <b>{shortName(each.mode)}</b>
            </button>
            {words.length > 0 && <small className={styles.memory}>{words[at] ?? ""}</small>}
          </li>
        ))}
      </ol>
      {words.length > all.length && <p className={styles.worked}>{words.slice(all.length).join(" ")}</p>}
    </div>
  );
}

/** The modes one note away, the first with its change, the others by name. */
function Neighbours({ homeMode, way }: { readonly homeMode: HomeMode; readonly way: "brighter" | "darker" }) {
  const { home, mode } = homeMode;
  const [first, ...others] = oneNoteAway(mode, way);
  if (!first) return NO_NEIGHBOUR;
  return (
    <span className={styles.neighbours}>
      <button type="button" className={styles.link} onClick={() => setPlace({ mode: first.mode })}>
        {neighbourText(home, first)}
      </button>
      {others.map((other) => (
        <button
          key={other.mode.id}
          type="button"
          className={styles.link}
          aria-label={neighbourText(home, other)}
          title={neighbourChangeText(home, other)}
          onClick={() => setPlace({ mode: other.mode })}
        >
          {`or ${inTitle(modeText(other.mode))}`}
        </button>
      ))}
    </span>
  );
}

/** Named scales with one note more, or one fewer. */
function Besides({
  homeMode: { home, mode },
  way,
}: {
  readonly homeMode: HomeMode;
  readonly way: "more" | "fewer";
}) {
  const beside = oneMoreOrFewer(mode)[way];
  if (beside.length === 0) return "no named scale";
  return (
    <span className={styles.neighbours}>
      {beside.map(({ mode: other, note }) => (
        <button
          key={other.id}
          type="button"
          className={styles.link}
          onClick={() => setPlace({ mode: other })}
        >
          {`${capital(inTitle(modeText(other)))} (${way === "more" ? "with" : "without"} ${noteText(home + note)})`}
        </button>
      ))}
    </span>
  );
}
