import { useStore } from "@nanostores/react";
import { useId } from "react";
import { sourceOfText } from "@/formats";
import { reshapeDocument } from "@/session";
import { Problems } from "@/kit/problems";
import { TuneTextArea } from "@/shell/tune";
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
      <TuneTextArea
        text={isText ? text : ""}
        rows={rows}
        onText={(next) =>
          reshapeDocument.change({ text: next, source: sourceOfText(next), name: "" }, "typing")
        }
        of={reshapeDocument}
        isInvalid={problems.length > 0}
        describedBy={`${id}-problems`}
      />
      <Problems id={`${id}-problems`} problems={problems} text={isText ? text : ""} />
    </div>
  );
}
