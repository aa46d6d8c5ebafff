import { useStore } from "@nanostores/react";
import { type FunctionComponent, useEffect } from "react";
import { findModes, parentOf } from "@/core/scale";
import { $features, $place, type Finding as Offer, goTo, openSaved, ownWordsFor, shelf } from "@/session";
import { countText, FIND_MODE, findNothingText, homeModeText, parentText, wording } from "@/words";
import styles from "./FindDialog.module.css";

interface Found {
  readonly key: string;
  readonly text: string;
  readonly aside: string;
  readonly go: () => void;
}

interface FindingProps {
  readonly text: string;
  readonly onText: (text: string) => void;
  /** Enter was pressed before the field was there. */
  readonly isEntered: boolean;
  readonly onClose: () => void;
}

/** How many of each kind are listed. */
const MAX_LISTED = 8;

/** What a view offers for a text. */
type Offers = (text: string) => readonly Offer[];

/** The field, with what every view offers for a text. A view whose part can't be had offers nothing. */
export async function findingInViews(): Promise<FunctionComponent<FindingProps>> {
  const finders = $features.get().flatMap(({ finds }) => (finds ? [finds()] : []));
  const offering = (await Promise.allSettled(finders)).flatMap((found) =>
    found.status === "fulfilled" ? [found.value] : [],
  );
  return (props) => <Finding {...props} offering={offering} />;
}

/** The field and what it finds; there only while the sheet is open. */
function Finding({
  text,
  onText,
  isEntered,
  onClose,
  offering,
}: FindingProps & { readonly offering: readonly Offers[] }) {
  const { home } = useStore($place);
  const saved = useStore(shelf.$saved);

  const asked = text.trim().toLowerCase();
  const modes: readonly Found[] = findModes(text, home, wording().noteNames)
    .slice(0, MAX_LISTED)
    .map(({ homeMode, by, more }) => {
      const { tonic, family, degree } = parentOf(homeMode);
      const extra = more === 0 ? "just these notes" : countText(more, "note") + " more";
      const { words } = ownWordsFor(homeMode.mode, saved);
      return {
        key: `${homeMode.home} ${homeMode.mode.id}`,
        text: homeModeText(homeMode),
        aside: [
          FIND_MODE,
          by === "name" ? `${parentText(tonic, family)}, note ${degree}` : extra,
          ...(words === "" ? [] : [words.slice(0, 40)]),
        ].join(" · "),
        go: () => goTo("derive", homeMode),
      };
    });
  const things: readonly Found[] = saved
    .filter(
      ({ deletedAt, title, words }) =>
        deletedAt === undefined && `${title} ${words}`.toLowerCase().includes(asked),
    )
    .slice(0, MAX_LISTED)
    .map((thing) => ({
      key: thing.id,
      text: thing.title,
      aside: thing.kind === "words" ? "your words for a mode" : `open the saved ${thing.kind}`,
      go: () => openSaved(thing),
    }));
  const offered = offering.flatMap((finds) => finds(text));
  const offers = (isSure: boolean): readonly Found[] =>
    offered.filter((each) => each.isSure === isSure).map(({ does, ...each }) => ({ ...each, aside: does }));
  const found = [...offers(true), ...modes, ...offers(false), ...things];

  const follow = ({ go }: Found) => {
    go();
    onClose();
  };

  useEffect(() => {
    if (isEntered && found[0]) follow(found[0]);
    // Once, with what was typed until then.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  return (
    <>
      <form
        className={styles.form}
        onSubmit={(event) => {
          event.preventDefault();
          if (found[0]) follow(found[0]);
        }}
      >
        <input
          className={styles.input}
          data-first
          ref={focus}
          aria-label="What to find"
          value={text}
          spellCheck={false}
          onChange={(event) => onText(event.target.value)}
        />
      </form>
      {found.length === 0 ? (
        <p role="status">{findNothingText(text)}</p>
      ) : (
        <ul className={styles.list}>
          {found.map((each) => (
            <li key={each.key}>
              <button type="button" className={styles.found} onClick={() => follow(each)}>
                <span>{each.text}</span>
                <small>{each.aside}</small>
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** The field has the focus as soon as it stands. */
const focus = (field: HTMLInputElement | null): void => field?.focus();
