import { useState } from "react";
import type { Chart } from "@/core/chord";
import type { Problem } from "@/core/problem";
import { $settings } from "@/session";
import { chartDocument } from "./chart-document";
import { Button, Choice, FileButton, WrittenField } from "@/kit/controls";
import { Dialog, Setting } from "@/kit/dialog";
import { saveFile } from "@/kit/files";
import {
  problemText,
  SAVED_AS_TEXT,
  WRITTEN_FOR_TEXT,
  CHART_FILES_SAY,
  CHART_FILES_OPEN,
  WRITTEN_OUT_SAYS,
} from "@/words";
import { CHART_FILES, chartFile, SAVED_AS, type SavedAs, type WrittenFor } from "./chartFiles";

interface FilesDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly chart: Chart;
  readonly text: string;
  readonly title: string;
  /** Why the last file was not, or not wholly, read. */
  readonly problems: readonly Problem[];
  readonly onFile: (file: File) => void;
}

const WRITTEN_FOR = ["chords", "keyboard", "strings"] as const;

/** A chart out of a file, and into one: the chords alone, or parts for a keyboard or four bowed strings. */
export function FilesDialog({ open, onClose, chart, text, title, problems, onFile }: FilesDialogProps) {
  const [as, setAs] = useState<SavedAs>("chordpro");
  const [writtenFor, setWrittenFor] = useState<WrittenFor>("chords");
  const hasParts = as === "musicxml" || as === "midi";
  const isEmpty = !chart.chords.some(({ chord }) => chord);
  const save = async () => {
    const { name, content, type } = await chartFile(
      chart,
      text,
      title,
      as,
      writtenFor,
      $settings.get().tempo,
    );
    saveFile(name, content, type);
  };
  return (
    <Dialog title="Files" says={CHART_FILES_SAY} open={open} onClose={onClose} place="side">
      <Setting name="Open" says={CHART_FILES_OPEN}>
        <FileButton label="Open a chart" accept={CHART_FILES} onFile={onFile}>
          Open a chart
        </FileButton>
      </Setting>
      {problems.length > 0 && (
        <ul role="alert">
          {problems.slice(0, 5).map((problem, at) => (
            <li key={at}>{problemText(problem, "")}</li>
          ))}
        </ul>
      )}
      <Setting name="Title">
        <WrittenField
          label="Title of the chart"
          value={title}
          most={200}
          onCommit={(next) => chartDocument.change({ title: next })}
        />
      </Setting>
      <Setting name="Save as">
        <Choice
          label="Save as"
          value={as}
          onChange={setAs}
          options={SAVED_AS.map((value) => ({ value, text: SAVED_AS_TEXT[value] }))}
        />
      </Setting>
      {hasParts && (
        <Setting name="Written out for" says={WRITTEN_OUT_SAYS}>
          <Choice
            label="Written out for"
            value={writtenFor}
            onChange={setWrittenFor}
            options={WRITTEN_FOR.map((value) => ({ value, text: WRITTEN_FOR_TEXT[value] }))}
          />
        </Setting>
      )}
      <div>
        <Button kind="main" disabled={isEmpty} onClick={() => void save()}>
          Save
        </Button>
      </div>
    </Dialog>
  );
}
