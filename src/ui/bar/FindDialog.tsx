import { useStore } from "@nanostores/react";
import { useState } from "react";
import { findModes, parentOf } from "@/core/scale";
import { $place, goTo, shelf } from "@/state";
import { Dialog } from "@/ui/dialog";
import { openKept } from "@/ui/shelf";
import { homeModeText, parentText, Words } from "@/ui/words";
import styles from "./FindDialog.module.css";

interface FindDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

interface Found {
  readonly key: string;
  readonly text: string;
  readonly aside: string;
  readonly go: () => void;
}

/** How many of each kind are listed. */
const MOST = 8;

/** Finds a mode by name or alias, with a home in front if wanted, or something on the Shelf by its title or words. */
export function FindDialog({ open, onClose }: FindDialogProps) {
  const [text, setText] = useState("");
  const { home } = useStore($place);
  const kept = useStore(shelf.$kept);

  const asked = text.trim().toLowerCase();
  const modes: readonly Found[] = findModes(text, home)
    .slice(0, MOST)
    .map((homeMode) => {
      const { tonic, family, degree } = parentOf(homeMode);
      return {
        key: homeMode.mode.id,
        text: homeModeText(homeMode),
        aside: `${parentText(tonic, family)}, note ${degree}`,
        go: () => goTo("derive", homeMode),
      };
    });
  const things: readonly Found[] = kept
    .filter(
      ({ deletedAt, title, words }) =>
        deletedAt === undefined && `${title} ${words}`.toLowerCase().includes(asked),
    )
    .slice(0, MOST)
    .map((thing) => ({
      key: thing.id,
      text: thing.title,
      aside: `kept ${thing.kind}`,
      go: () => openKept(thing),
    }));
  const found = [...modes, ...things];

  const close = () => {
    setText("");
    onClose();
  };
  const follow = ({ go }: Found) => {
    go();
    close();
  };

  return (
    <Dialog
      title="Find"
      says="A mode by any of its names, with a home in front if you like: C♯ Phrygian dominant. Or something kept, by its title or your words."
      open={open}
      onClose={close}
    >
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
          aria-label="What to find"
          value={text}
          spellCheck={false}
          onChange={(event) => setText(event.target.value)}
        />
      </form>
      {found.length === 0 ? (
        <p>
          Nothing goes by “{text.slice(0, 60)}”. Try part of a name: lyd, minor, ♭6; or a note and a name: Eb
          dorian.
        </p>
      ) : (
        <ul className={styles.list}>
          {found.map((each) => (
            <li key={each.key}>
              <button type="button" className={styles.found} onClick={() => follow(each)}>
                <span>
                  <Words>{each.text}</Words>
                </span>
                <small>
                  <Words>{each.aside}</Words>
                </small>
              </button>
            </li>
          ))}
        </ul>
      )}
    </Dialog>
  );
}
