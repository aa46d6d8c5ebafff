import { useState } from "react";
import type { Problem } from "@/core/problem";
import { $draft, changeDraft } from "@/session";
import { MOST_FILE_BYTES } from "@/kit/files";
import { readChartFile } from "./chartFiles";

interface ChartFileActs {
  /** Another chart stands in the field. */
  readonly onOther: () => void;
  /** The last file was read, or was not; `isRead` tells whether it is wholly understood. */
  readonly onRead: (isRead: boolean) => void;
}

/** Charts put into the field in place of another, from a file among them; the one before can be brought back. */
export function useChartFile({ onOther, onRead }: ChartFileActs) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [before, setBefore] = useState<{ readonly chords: string; readonly chartTitle: string }>();
  const replace = (chords: string, chartTitle: string) => {
    const now = $draft.get();
    if (now.chords.trim() !== "" && now.chords !== chords)
      setBefore({ chords: now.chords, chartTitle: now.chartTitle });
    changeDraft({ chords, chartTitle });
    onOther();
  };
  const open = async (file: File) => {
    const read =
      file.size > MOST_FILE_BYTES
        ? {
            value: { title: "", text: "" },
            problems: [{ code: "file-too-large", offset: 0, length: 0, found: file.name } as const],
          }
        : await readChartFile(file.name, new Uint8Array(await file.arrayBuffer()));
    setProblems(read.problems);
    if (read.value.text !== "") replace(read.value.text, read.value.title || nameOf(file));
    onRead(read.problems.length === 0);
  };
  const bringBack = () => {
    if (before) changeDraft(before);
    setBefore(undefined);
    onOther();
  };
  return { problems, hasBefore: before !== undefined, replace, open, bringBack };
}

const nameOf = ({ name }: File) => name.replace(/\.[^.]+$/u, "");
