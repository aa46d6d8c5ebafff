import { type Fifths, soundOf, spellSound } from "@/core/pitch";
import { useStore } from "@nanostores/react";
import { EXPECTATIONS, type Identification } from "@/core/identify";
import type { HomeMode } from "@/core/scale";
import { Select, ShadeRow } from "@/kit/controls";
import { $settings, changeSettings } from "@/session";
import { EXPECTATION_TEXT, homeModeText, noteText, weightText } from "@/words";
import styles from "./Candidates.module.css";

interface CandidatesProps {
  readonly found: Identification;
  /** The home that was set by hand. */
  readonly home: Fifths | undefined;
  readonly onPick: (homeMode: HomeMode) => void;
  readonly onHome: (home: Fifths | undefined) => void;
}

/** How many are listed. */
const MOST = 4;
const FOUND = "found";

/** The homes and modes that fit best, with their weights; picking one gives the reasons for it. */
export function Candidates({ found, home, onPick, onHome }: CandidatesProps) {
  const { candidates, homeMode, hearing } = found;
  const { expects } = useStore($settings);
  const heard = hearing.names.map((name, sound) => name ?? spellSound(sound, homeMode.home));
  const byTime = heard
    .map((name, sound) => ({ name, time: hearing.sounding[sound] ?? 0 }))
    .sort((a, b) => b.time - a.time);
  return (
    <section className={styles.candidates} aria-label="Which mode">
      <div className={styles.head}>
        <h2 className={styles.title}>Likeliest</h2>
        <Select
          label="Expect"
          size="small"
          value={expects}
          options={EXPECTATIONS.map((value) => ({ value, text: EXPECTATION_TEXT[value] }))}
          onChange={(value) => changeSettings({ expects: value })}
        />
        <Select
          label="Home"
          size="small"
          value={home === undefined ? FOUND : String(soundOf(home))}
          options={[
            { value: FOUND, text: "any home" },
            ...byTime.map(({ name }) => ({ value: String(soundOf(name)), text: `home ${noteText(name)}` })),
          ]}
          onChange={(value) => onHome(value === FOUND ? undefined : heard[Number(value)])}
        />
      </div>
      <ul>
        {candidates.slice(0, MOST).map((candidate) => (
          <li key={`${candidate.homeMode.home} ${candidate.homeMode.mode.id}`}>
            <ShadeRow
              mode={candidate.homeMode.mode}
              isChosen={
                candidate.homeMode.home === homeMode.home && candidate.homeMode.mode === homeMode.mode
              }
              onChoose={() => onPick(candidate.homeMode)}
            >
              <span>{homeModeText(candidate.homeMode)}</span>
              <span>{weightText(candidate.weight)}</span>
            </ShadeRow>
          </li>
        ))}
      </ul>
    </section>
  );
}
