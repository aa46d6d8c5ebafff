import type { Identification } from "@/core/identify";
import type { HomeMode } from "@/core/scale";
import { ShadeRow } from "@/ui/controls";
import { homeModeText, weightText } from "@/ui/words";
import styles from "./Candidates.module.css";

interface CandidatesProps {
  readonly found: Identification;
  readonly onPick: (homeMode: HomeMode) => void;
}

/** How many are listed. */
const MOST = 4;

/** The homes and modes that fit best, with their weights; picking one gives the reasons for it. */
export function Candidates({ found, onPick }: CandidatesProps) {
  const { candidates, homeMode } = found;
  return (
    <section className={styles.candidates} aria-label="Which mode">
      <h2 className={styles.title}>Which mode, of 100 tunes like this</h2>
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
