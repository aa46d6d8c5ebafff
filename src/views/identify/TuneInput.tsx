import { DEMO_TUNES } from "@/demo";
import { Button, Choice, FileButton } from "@/ui/controls";
import { Problems } from "@/ui/problems";
import own from "./IdentifyView.module.css";
import type { ReadTunes } from "./useTunes";

interface WaysProps {
  readonly way: "staff" | "text";
  readonly onWay: (way: "staff" | "text") => void;
  readonly onFile: (file: File | undefined) => void;
}

/** The ways in: the staff as read, text in a field, or a file, chosen or dropped. */
export function Ways({ way, onWay, onFile }: WaysProps) {
  return (
    <div className={own.ways}>
      <Choice
        label="The tune as staff or as text"
        value={way}
        onChange={onWay}
        options={[
          { value: "staff", text: "Staff" },
          { value: "text", text: "Paste or type" },
        ]}
      />
      <FileButton
        label="Open an ABC file"
        accept=".abc,.txt,text/vnd.abc,text/plain"
        title="Or drop one anywhere on this view"
        onFile={onFile}
      >
        Open an ABC file
      </FileButton>
    </div>
  );
}

interface TuneTextProps {
  readonly text: string;
  readonly isOpen: boolean;
  readonly isEmpty: boolean;
  readonly read: ReadTunes | undefined;
  readonly refusal: string | undefined;
  readonly onText: (text: string) => void;
  /** One of the demo's tunes was chosen. */
  readonly onTry: (text: string) => void;
}

/** The text field, where it is open, and what in the text was not understood, and where. */
export function TuneText({ text, isOpen, isEmpty, read, refusal, onText, onTry }: TuneTextProps) {
  const problems = isEmpty ? [] : (read?.problems ?? []);
  if (!isOpen && problems.length === 0 && refusal === undefined) return null;
  return (
    <div className={own.input}>
      {isOpen && (
        <textarea
          className={own.text}
          aria-label="The tune, as ABC or note names"
          value={text}
          rows={8}
          spellCheck={false}
          placeholder={"A4:1 B4:0.5 C#5:0.5 | D5:2 ||\nor ABC:\nX:1\nK:AMix\nA2 c2 B2 d2 |"}
          onChange={(event) => onText(event.target.value)}
        />
      )}
      {isEmpty && (
        <p className={own.tries}>
          <span>Open or drop an ABC file, paste ABC, type note names; or try a tune of the play:</span>
          {DEMO_TUNES.map(({ id, title, text: abc }) => (
            <Button key={id} kind="quiet" onClick={() => onTry(abc)}>
              {title}
            </Button>
          ))}
        </p>
      )}
      {refusal !== undefined && (
        <p className={own.refusal} role="alert">
          {refusal}
        </p>
      )}
      <Problems problems={problems} text={read?.text ?? ""} />
    </div>
  );
}
