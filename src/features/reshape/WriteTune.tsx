import { TuneField, type Typing } from "./TuneField";
import styles from "./Reshape.module.css";
import { WriteStaff } from "./WriteStaff";

/** The tune on the staff and as text; each follows the other. */
export function WriteTune({ typing, onTyping }: Typing) {
  return (
    <div className={styles.written}>
      <WriteStaff takesFocus={typing === "staff"} onWritten={() => onTyping("staff")} />
      <TuneField rows={6} takesFocus={typing === "text"} onType={() => onTyping("text")} />
    </div>
  );
}
