import { useStore } from "@nanostores/react";
import type { ReactNode } from "react";
import { DEMO_TUNES } from "@/demo";
import { $ready, openFiles, shelf } from "@/session";
import { openToReshape, reshapeDocument } from "./reshape-document";
import { Button, FileButton } from "@/kit/controls";
import { DocumentTools } from "@/shell/documents";
import { EMPTY_RESHAPE, LISTENING, RESHAPE_ASKS } from "@/words";
import view from "@/shell/frame/View.module.css";
import type { Typing } from "./TuneField";
import { WriteTune } from "./WriteTune";
import styles from "./Reshape.module.css";

interface EmptyShowProps extends Typing {
  readonly tabs: ReactNode;
  readonly refusal: string | undefined;
  /** A long tune is on its way. */
  readonly isListening: boolean;
}

/** Files that hold tunes. */
export const TUNE_ACCEPT =
  ".abc,.txt,.musicxml,.xml,.mxl,.mid,.midi,text/vnd.abc,text/plain,audio/midi,application/vnd.recordare.musicxml";

/** Tunes of the Shelf that are offered. */
const MAX_OFFERED = 24;

/** Before there is a tune: it is typed, opened from a file, or taken from the Shelf. */
export function EmptyShow({ tabs, refusal, isListening, typing, onTyping }: EmptyShowProps) {
  const saved = useStore(shelf.$saved);
  const isReady = useStore($ready);
  const savedTunes = saved.flatMap((each) =>
    each.kind === "tune" && each.deletedAt === undefined ? [each] : [],
  );
  const offered = savedTunes.length > 0 ? savedTunes.slice(0, MAX_OFFERED) : DEMO_TUNES;
  if (!isReady) return <div className={view.view} />;
  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className={styles.ask}>{RESHAPE_ASKS}</h1>
          <DocumentTools document={reshapeDocument} name="tune" />
          <FileButton label="Open a tune" accept={TUNE_ACCEPT} onFile={(file) => void openFiles([file])}>
            Open a file
          </FileButton>
        </div>
        <div className={styles.scroll}>
          {refusal !== undefined && <p role="alert">{refusal}</p>}
          {isListening && <p role="status">{LISTENING}</p>}
          <WriteTune typing={typing} onTyping={onTyping} />
          <p className={styles.tries}>
            <span>{EMPTY_RESHAPE}</span>
            {offered.map(({ id, title, source, text }) => (
              <Button key={id} kind="quiet" onClick={() => openToReshape({ source, text, name: title })}>
                {title}
              </Button>
            ))}
          </p>
        </div>
      </div>
    </div>
  );
}
