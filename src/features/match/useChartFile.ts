import { useStore } from "@nanostores/react";
import { useState } from "react";
import type { Problem } from "@/core/problem";
import { MOST_FILE_BYTES } from "@/kit/files";
import { chartDocument } from "@/session";
import { readChartFile } from "./chartFiles";

interface ChartFileActs {
  /** Another chart stands in the field. */
  readonly onOther: () => void;
  /** The last file was read, or was not; `isRead` tells whether it is wholly understood. */
  readonly onRead: (isRead: boolean) => void;
}

/** Charts opened in place of another, from a file among them; the one before can be brought back. */
export function useChartFile({ onOther, onRead }: ChartFileActs) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [before, setBefore] = useState<string>();
  const recent = useStore(chartDocument.$recent);
  const replace = (chords: string, title: string) => {
    if (chartDocument.$value.get().chords.trim() !== "") setBefore(chartDocument.$id.get());
    chartDocument.open({ chords, title });
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
  const bringBack = async () => {
    if (before !== undefined) await chartDocument.bringBack(before);
    setBefore(undefined);
    onOther();
  };
  return { problems, hasBefore: recent.some(({ id }) => id === before), replace, open, bringBack };
}

const nameOf = ({ name }: File) => name.replace(/\.[^.]+$/u, "");
