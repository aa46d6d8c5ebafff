import { useStore } from "@nanostores/react";
import { later } from "@/kit/later";
import { Part } from "@/shell/frame/Part";
import { PartTabs } from "@/shell/frame/PartTabs";
import { $place, placeOf } from "@/session";
import view from "@/shell/frame/View.module.css";
import { EAR } from "./exam";
import { $shownClass, $shownResult } from "./shown-result";
import { $running } from "./running";
import { TodayShow } from "./TodayShow";
import "./selection";

const SittingShow = later(() => import("./SittingShow").then(({ SittingShow }) => SittingShow));
const ExamShow = later(() => import("./ExamShow").then(({ ExamShow }) => ExamShow));
const ClassShow = later(() => import("./ClassShow").then(({ ClassShow }) => ClassShow));
const ResultShow = later(() => import("./ResultShow").then(({ ResultShow }) => ResultShow));

const PARTS = [
  { value: "today", text: "Today", keyName: "w", says: "Today’s training" },
  { value: "exam", text: "Exam", keyName: "x", says: "An exam of your own" },
] as const;

/** Ear: the day's training by what is due, exams of the user's own, and the question that is open. */
export function EarView() {
  const running = useStore($running);
  const place = useStore($place);
  const result = useStore($shownResult);
  const results = useStore($shownClass);
  if (running?.ear)
    return (
      <Part what="The question" tabs={null}>
        <SittingShow sitting={running} />
      </Part>
    );
  if (result)
    return (
      <Part what="The result" tabs={null}>
        <ResultShow result={result} onClose={() => $shownResult.set(undefined)} />
      </Part>
    );
  if (results)
    return (
      <Part what="The class" tabs={null}>
        <ClassShow results={results} />
      </Part>
    );
  const tabs = (
    <div className={view.parts}>
      <PartTabs view={EAR} name="Ear" parts={PARTS} />
    </div>
  );
  const { part } = placeOf(EAR, place);
  return (
    <Part what={PARTS.find(({ value }) => value === part)?.text ?? "Ear"} tabs={tabs}>
      {part === "exam" ? <ExamShow tabs={tabs} /> : <TodayShow tabs={tabs} />}
    </Part>
  );
}
