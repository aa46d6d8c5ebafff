import { useStore } from "@nanostores/react";
import { useId, useState } from "react";
import { shelf } from "@/session";
import { foldersOf, MAX_FOLDER, MAX_TAG, MAX_TAGS, readFolder, readTags } from "@/storage";
import { Button } from "@/kit/controls";
import styles from "./Shelf.module.css";
import { NEEDS_TITLE } from "@/words";

interface SavedFormProps {
  readonly title: string;
  readonly words: string;
  readonly tags: readonly string[] | undefined;
  readonly folder: string | undefined;
  /** What the button that ends it says. */
  readonly act: string;
  readonly onDone: (part: {
    title: string;
    words: string;
    tags: string[];
    folder: string | undefined;
  }) => void;
  readonly onCancel: () => void;
}

/** Title and words: for what is about to be kept and for what is kept already. */
export function SavedForm({ title, words, tags = [], folder = "", act, onDone, onCancel }: SavedFormProps) {
  const [draft, setDraft] = useState({ title, words, tags: tags.join(", "), folder });
  const isNamed = draft.title.trim() !== "";
  const folders = useId();
  const saved = useStore(shelf.$saved);
  const done = () =>
    isNamed &&
    onDone({
      title: draft.title.trim(),
      words: draft.words.trim(),
      tags: [...readTags(draft.tags, MAX_TAGS, MAX_TAG)],
      folder: readFolder(draft.folder, MAX_FOLDER),
    });
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault();
        done();
      }}
    >
      <label className={styles.field}>
        Title
        <input
          className={styles.written}
          data-first
          value={draft.title}
          maxLength={200}
          aria-invalid={!isNamed}
          onChange={(event) => setDraft({ ...draft, title: event.target.value })}
        />
      </label>
      {!isNamed && <p role="alert">{NEEDS_TITLE}</p>}
      <label className={styles.field}>
        Your words
        <textarea
          className={styles.written}
          value={draft.words}
          rows={3}
          maxLength={20_000}
          onKeyDown={(event) => {
            // In a field of several lines Enter is a line.
            if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) done();
          }}
          onChange={(event) => setDraft({ ...draft, words: event.target.value })}
        />
      </label>
      <label className={styles.field}>
        Tags
        <input
          className={styles.written}
          value={draft.tags}
          placeholder="with commas between them"
          maxLength={MAX_TAGS * (MAX_TAG + 2)}
          onChange={(event) => setDraft({ ...draft, tags: event.target.value })}
        />
      </label>
      <label className={styles.field}>
        Folder
        <input
          className={styles.written}
          value={draft.folder}
          list={folders}
          maxLength={MAX_FOLDER}
          onChange={(event) => setDraft({ ...draft, folder: event.target.value })}
        />
      </label>
      <datalist id={folders}>
        {foldersOf(saved).map(({ name }) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <div className={styles.acts}>
        <Button type="submit" kind="main" disabled={!isNamed}>
          {act}
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </form>
  );
}
