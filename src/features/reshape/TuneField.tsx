import { useStore } from "@nanostores/react";
import { useId } from "react";
import { sourceOfText } from "@/formats";
import { reshapeDocument } from "./reshape-document";
import { Problems } from "@/kit/problems";
import { TuneTextArea } from "@/shell/tune";
import { $read } from "./reshaped";
import styles from "./Reshape.module.css";

/** Where the tune is written, if it is: it stays open while what is written becomes a tune, and keeps the keyboard. */
export interface Typing {
  readonly typing: "staff" | "text" | undefined;
  readonly onTyping: (typing: "staff" | "text" | undefined) => void;
}

interface TuneFieldProps {
  readonly rows: number;
  /** It is typed on where it was typed before: at its end. */
  readonly takesFocus?: boolean;
  readonly onType?: () => void;
}

/** The tune as text: ABC or note names. What can't be read is said where it stands. */
export function TuneField({ rows, takesFocus = false, onType }: TuneFieldProps) {
  const id = useId();
  const { text, source } = useStore(reshapeDocument.$value);
  const read = useStore($read);
  const isText = source === "abc" || source === "notes";
  const problems = text.trim() === "" ? [] : (read?.answer.problems ?? []);
  return (
    <div className={styles.written}>
      <TuneTextArea
        text={isText ? text : ""}
        rows={rows}
        takesFocus={takesFocus}
        onText={(next) => {
          reshapeDocument.change({ text: next, source: sourceOfText(next), name: "" }, "typing");
          onType?.();
        }}
        of={reshapeDocument}
        isInvalid={problems.length > 0}
        describedBy={`${id}-problems`}
      />
      <Problems id={`${id}-problems`} problems={problems} text={isText ? text : ""} />
    </div>
  );
}
