import { $place, placeOf, type Practised } from "@/session";
import type { ExamValue } from "@/storage";
import { drillText, EXAM_TITLE, TODAY_TITLE } from "@/words";
import { EAR, examDocument } from "./exam";
import { $running } from "./running";

/** What of Ear is practised: the exam or drill that is under way or put together, otherwise the day's training. */
export function practised(): Practised {
  const running = $running.get()?.ear;
  if (running && !running.isPlacement && !running.isOfDay) return ofExam(running.exam);
  if (!running && placeOf(EAR, $place.get()).part === "exam") return ofExam(examDocument.$value.get());
  return { kind: "ear", title: TODAY_TITLE, part: "today", documents: {} };
}

const ofExam = (exam: ExamValue): Practised => ({
  kind: "ear",
  title: exam.title || titleOfDrill(exam) || EXAM_TITLE,
  part: "exam",
  documents: { exam },
});

const titleOfDrill = ({ modes: [one, other, ...more], questions }: ExamValue): string =>
  one !== undefined && other !== undefined && more.length === 0 && questions.includes("pair")
    ? drillText(one, other)
    : "";
