import { useId } from "react";
import { DEMO_TUNES } from "@/demo";
import { tuneDocument } from "./tune-document";
import { Button, Choice, FileButton } from "@/kit/controls";
import { Problems } from "@/kit/problems";
import { TuneTextArea } from "@/shell/tune";
import { TUNE_FILES } from "./files";
import own from "./IdentifyView.module.css";
import type { ReadTunes } from "./read-tunes";
import type { Way } from "./route";
import { OPENS_FILES, EMPTY_IDENTIFY } from "@/words";

interface WaysProps {
  readonly way: Way;
  readonly onWay: (way: Way) => void;
  readonly onFiles: (files: readonly File[]) => void;
}

/** The ways in: the staff as read, text in a field, notes played, a recording; or files, chosen or dropped. */
export function Ways({ way, onWay, onFiles }: WaysProps) {
  return (
    <div className={own.ways}>
      <Choice
        label="How the tune comes in"
        value={way}
        onChange={onWay}
        options={[
          { value: "staff", text: "Staff" },
          { value: "type", text: "Type" },
          { value: "play", text: "Play in" },
          { value: "record", text: "Record" },
        ]}
      />
      <FileButton
        label="Open files of tunes"
        accept={TUNE_FILES}
        title={OPENS_FILES}
        isMany
        onFiles={onFiles}
      >
        Open files
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
  const id = useId();
  const problems = isEmpty ? [] : (read?.problems ?? []);
  if (!isOpen && problems.length === 0 && refusal === undefined) return null;
  return (
    <div className={own.input}>
      {isOpen && (
        <TuneTextArea
          text={text}
          rows={isEmpty ? 8 : 4}
          onText={onText}
          of={tuneDocument}
          isInvalid={problems.length > 0 || refusal !== undefined}
          describedBy={`${id}-problems`}
        />
      )}
      {isEmpty && (
        <p className={own.tries}>
          <span>{EMPTY_IDENTIFY}</span>
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
      <Problems
        id={`${id}-problems`}
        problems={problems}
        text={read && read.source !== "midi" ? read.text : ""}
      />
    </div>
  );
}
