import { useState } from "react";
import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import type { FileChart } from "@/formats";
import { MAX_FILE_BYTES } from "@/kit/files";
import { openChart, openIn } from "@/session";
import { MAX_CHART_TEXT } from "@/storage";
import { chartDocument } from "./chart-document";
import { MATCH } from "./route";

/** A chart that can be held; what is longer than any is refused. */
export const fitting = (read: Reading<FileChart>, name: string): Reading<FileChart> =>
  read.value.text.length <= MAX_CHART_TEXT
    ? read
    : {
        value: { title: "", text: "" },
        problems: [wholeProblem("file-too-large", name)],
      };

/**
 * Charts opened beside the one in front, from a file among them.
 *
 * @param onRead the last file was read; `isRead` tells whether it is wholly understood
 */
export function useChartFile(onRead: (isRead: boolean) => void) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const take = (chords: string, title: string) => openIn(MATCH, chartDocument, { chords, title }, "chart");
  const open = async (file: File) => {
    const read =
      file.size > MAX_FILE_BYTES
        ? {
            value: { title: "", text: "" },
            problems: [wholeProblem("file-too-large", file.name)],
          }
        : fitting(await openChart(file), file.name);
    setProblems(read.problems);
    if (read.value.text !== "") take(read.value.text, read.value.title || nameOf(file));
    onRead(read.problems.length === 0);
  };
  return { problems, take, open };
}

const nameOf = ({ name }: File) => name.replace(/\.[^.]+$/u, "");
