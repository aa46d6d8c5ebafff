import { useConventions } from "@/session/settings/useConventions";
import type { Fifths } from "@/core/pitch";
import type { Identification } from "@/core/identify";
import type { Swap } from "@/core/scale";
import { HearAndSave, OwnWordsSaid } from "@/shell/panel";
import { Facts, Panel } from "@/kit/panel";
import { Words } from "@/kit/words";
import {
  calledReason,
  endingReason,
  passageBarsText,
  countReason,
  decidingText,
  headlineText,
  homeModeText,
  homeReason,
  keyText,
  listText,
  MAX_NAMED,
  notesReason,
  orText,
  keyPassagesReason,
  passagesReason,
  playItFromText,
  profileRows,
  rivalReason,
  comparedReason,
  TOO_FEW_NOTES,
} from "@/words";
import styles from "./ReasonPanel.module.css";

interface ReasonPanelProps {
  readonly found: Identification;
  /** Places in the tune at which a note sounds. */
  readonly placesOf: (note: Fifths) => readonly number[];
  /** The characteristic note and its ordinary neighbour, where it is heard. */
  readonly swap: Pick<Swap, "from" | "to"> | undefined;
  readonly onSwap: () => void;
  readonly onSave: () => void;
  /** A reason points at notes; undefined when none does any more. */
  readonly onPoint: (notes: readonly number[] | undefined) => void;
}

/** More modes than these are not listed; as few as the sentence names need not be. */
const MAX_MODES = 8;

/** The panel of Identify: the working as a person would do it, in four steps. */
export function ReasonPanel({ found, placesOf, swap, onSwap, onSave, onPoint }: ReasonPanelProps) {
  const { homeMode, undecided, isShort, key, about, changes } = found;
  const conventions = useConventions();
  const isCentred = changes || found.called.kind !== "no-centre";
  const said = [
    calledReason(found),
    passagesReason(found),
    keyPassagesReason(found),
    isCentred ? rivalReason(found) : undefined,
    isCentred ? endingReason(found) : undefined,
  ].filter((each) => each !== undefined);
  const reasons = isCentred
    ? [
        homeReason(found),
        notesReason(found, placesOf),
        countReason(found, placesOf),
        comparedReason(found, placesOf, conventions),
      ]
    : [];
  return (
    <Panel
      title={headlineText(found)}
      aside={orText(found)}
      acts={
        <HearAndSave
          hear="Hear the tune"
          swap={isCentred && swap ? { home: homeMode.home, swap, onSwap } : undefined}
          onSave={onSave}
        />
      }
    >
      <OwnWordsSaid mode={homeMode.mode} />
      {isShort && <p className={styles.short}>{TOO_FEW_NOTES}</p>}
      {said.map((each) => (
        <p key={each} className={styles.short}>
          {each}
        </p>
      ))}
      {about && <h3 className={styles.part}>{`${homeModeText(homeMode)}, ${passageBarsText(about)}`}</h3>}
      <ol className={styles.reasons} hidden={reasons.length === 0}>
        {reasons.map((reason, at) => (
          <li key={at} className={styles.reason}>
            <span className={styles.number} aria-hidden="true">
              {at + 1}
            </span>
            <p>
              <Words onPoint={onPoint}>{reason}</Words>
            </p>
          </li>
        ))}
      </ol>
      <Facts
        rows={[
          ...(undecided && undecided.modes.length > MAX_NAMED && undecided.modes.length <= MAX_MODES
            ? [
                [
                  `Undecided: ${listText(undecided.degrees.map(String))}`,
                  <ul key="undecided" className={styles.ways}>
                    {decidingText(undecided, homeMode.home).map((way) => (
                      <li key={way}>{way}</li>
                    ))}
                  </ul>,
                ] as const,
              ]
            : []),
          ...(key && key.agrees !== "same"
            ? [
                [
                  "Written key",
                  <Words key="key" onPoint={onPoint}>
                    {[{ says: keyText(key), points: key.notes }]}
                  </Words>,
                ] as const,
              ]
            : []),
          ...profileRows(found).map(
            ([name, fact]) =>
              [
                name,
                <Words key={name} onPoint={onPoint}>
                  {fact}
                </Words>,
              ] as const,
          ),
          ...(isCentred ? [["Play it from", playItFromText(homeMode)] as const] : []),
        ]}
      />
    </Panel>
  );
}
