import { useStore } from "@nanostores/react";
import type { Mode } from "@/core/scale";
import { openSaved, ownWordsFor, setOwnWords, shelf } from "@/session";
import { Button, WrittenField } from "@/kit/controls";
import styles from "./OwnWords.module.css";

/** The user's own words and model tune for a mode, as they travel with it; nothing where there are none. */
export function OwnWordsSaid({ mode }: { readonly mode: Mode }) {
  const { words, tune } = ownWordsFor(mode, useStore(shelf.$saved));
  if (words === "" && tune === "") return null;
  return (
    <p className={styles.said}>
      {[words, tune === "" ? "" : `(${tune})`].filter((part) => part !== "").join(" ")}
    </p>
  );
}

/** The same to be written: kept at once, on the Shelf, for the mode on whatever home. */
export function OwnWordsFields({ mode }: { readonly mode: Mode }) {
  const saved = useStore(shelf.$saved);
  const { words, tune } = ownWordsFor(mode, saved);
  const tunes = saved.filter((thing) => thing.kind === "tune" && thing.deletedAt === undefined);
  const model = tunes.find(({ title }) => title === tune);
  return (
    <div className={styles.fields}>
      <WrittenField
        label="Your words for it"
        value={words}
        rows={2}
        most={20_000}
        placeholder="What it is like, to you"
        onCommit={(text) => setOwnWords(mode, text, tune)}
      />
      <WrittenField
        label="Your model tune"
        value={tune}
        most={200}
        placeholder="A tune that brings it to mind"
        suggestions={tunes.map(({ title }) => title)}
        onCommit={(text) => setOwnWords(mode, words, text)}
      />
      {model?.kind === "tune" && (
        <Button kind="quiet" onClick={() => openSaved(model)}>
          {`Open ${model.title}`}
        </Button>
      )}
    </div>
  );
}
