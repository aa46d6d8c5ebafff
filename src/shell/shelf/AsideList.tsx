import { useStore } from "@nanostores/react";
import { useState } from "react";
import { aside, type Mended, seemsToBe, takeBack } from "@/session";
import type { AsideRecord } from "@/storage";
import { Button } from "@/kit/controls";
import { saveFile } from "@/kit/files";
import { asideText, seemsText, NOT_JSON, STILL_UNREADABLE, ASIDE_SAYS } from "@/words";
import styles from "./Shelf.module.css";

const MENDED_TEXT: Readonly<Record<Exclude<Mended, "taken">, string>> = {
  "not-json": NOT_JSON,
  "not-understood": STILL_UNREADABLE,
};

/** Records that couldn't be read: seen, exported, repaired or deleted. Nothing where there are none. */
export function AsideList() {
  const records = useStore(aside.$records);
  if (records.length === 0) return null;
  return (
    <section>
      <h3 className={styles.kind}>Set aside</h3>
      <p>{ASIDE_SAYS}</p>
      <ul className={styles.list}>
        {records.map((record) => (
          <AsideRow key={record.key} record={record} />
        ))}
      </ul>
    </section>
  );
}

function AsideRow({ record }: { readonly record: AsideRecord }) {
  const [text, setText] = useState<string>();
  const [said, setSaid] = useState("");
  const { kind, title } = seemsToBe(record);
  const name = seemsText(kind, title);
  const written = JSON.stringify(record.record, null, 1);
  const mend = async (next: string) => {
    const mended = await takeBack(record, next);
    if (mended !== "taken") setSaid(MENDED_TEXT[mended]);
  };
  return (
    <li className={styles.row}>
      <strong>{name}</strong>
      <small className={styles.under}>{asideText(record)}</small>
      {text !== undefined && (
        <textarea
          className={styles.written}
          aria-label={`The record ${name}`}
          value={text}
          rows={8}
          spellCheck={false}
          onChange={(event) => setText(event.target.value)}
        />
      )}
      {said !== "" && <p role="alert">{said}</p>}
      <div className={styles.acts}>
        {text === undefined ? (
          <Button kind="quiet" aria-label={`Repair ${name}`} onClick={() => setText(written)}>
            Repair
          </Button>
        ) : (
          <Button kind="quiet" onClick={() => void mend(text)}>
            Try again
          </Button>
        )}
        <Button
          kind="quiet"
          aria-label={`Export ${name}`}
          onClick={() => saveFile("shade-record.json", written, "application/json")}
        >
          Export
        </Button>
        <Button
          kind="quiet"
          aria-label={`Delete ${name} for good`}
          onClick={() => void aside.remove(record.key)}
        >
          Delete for good
        </Button>
      </div>
    </li>
  );
}
