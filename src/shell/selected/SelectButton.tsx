import { type SelectedChords, selectedText } from "./selected-chords";
import styles from "./SelectButton.module.css";

interface SelectButtonProps {
  readonly what: SelectedChords;
  readonly selected: SelectedChords | undefined;
  readonly onSelect: (selected: SelectedChords) => void;
  readonly children?: string;
}

/** A chord, or several, to be selected. */
export function SelectButton({ what, selected, onSelect, children }: SelectButtonProps) {
  const text = selectedText(what);
  return (
    <button
      type="button"
      className={styles.select}
      aria-pressed={selected !== undefined && selectedText(selected) === text}
      onClick={() => onSelect(what)}
    >
      {children ?? text}
    </button>
  );
}
