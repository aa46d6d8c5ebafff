import { useStore } from "@nanostores/react";
import { useId } from "react";
import { sourceOfText } from "@/formats";
import { reshapeDocument } from "@/session";
import { Problems } from "@/kit/problems";
import { $read } from "./reshaped";
import styles from "./Reshape.module.css";

/** The tune as text: ABC or note names. What can't be read is said where it stands. */
export function TuneField({ rows }: { readonly rows: number }) {
  const id = useId();
  const { text, source } = useStore(reshapeDocument.$value);
  const read = useStore($read);
  const isText = source === "abc" || source === "notes";
  const problems = text.trim() === "" ? [] : (read?.answer.problems ?? []);
  return (
    <div className={styles.written}>
      <textarea
        className={styles.text}
        aria-label="The tune, as ABC or note names"
        aria-invalid={problems.length > 0 || undefined}
        aria-describedby={`${id}-problems`}
        value={isText ? text : ""}
        rows={rows}
        spellCheck={false}
        placeholder={"A4:1 B4:0.5 C#5:0.5 | D5:2 ||\nor ABC:\nX:1\nK:AMix\nA2 c2 B2 d2 |"}
        onChange={({ target }) =>
          reshapeDocument.change(
            { text: target.value, source: sourceOfText(target.value), name: "" },
            "typing",
          )
        }
        onKeyDown={(event) => {
          const key = event.key.toLowerCase();
          if (!(event.ctrlKey || event.metaKey) || !["z", "y"].includes(key)) return;
          event.preventDefault();
          if (key === "y" || event.shiftKey) reshapeDocument.redo();
          else reshapeDocument.undo();
        }}
      />
      <Problems id={`${id}-problems`} problems={problems} text={isText ? text : ""} />
    </div>
  );
}
