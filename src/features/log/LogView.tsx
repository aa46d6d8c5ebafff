import { useStore } from "@nanostores/react";
import { later } from "@/kit/later";
import { Part } from "@/shell/frame/Part";
import { PartTabs } from "@/shell/frame/PartTabs";
import { $place, placeOf } from "@/session";
import view from "@/shell/frame/View.module.css";
import { DaysShow } from "./DaysShow";
import { LOG } from "./log";

const EarShow = later(() => import("./EarShow").then(({ EarShow }) => EarShow));
const RoutineShow = later(() => import("./RoutineShow").then(({ RoutineShow }) => RoutineShow));
const TempoShow = later(() => import("./TempoShow").then(({ TempoShow }) => TempoShow));

const PARTS = [
  { value: "days", text: "Days", keyName: "d", says: "The days of a month" },
  { value: "ear", text: "Ear", keyName: "e", says: "What the ear mixes up" },
  { value: "tempo", text: "Modes and tempo", keyName: "m", says: "Minutes by mode, tempo over time" },
  { value: "routine", text: "Routine", keyName: "r", says: "A routine to practise" },
] as const;

/** Log: the days, what the ear mixes up, minutes and tempo, and the routine that is put together. */
export function LogView() {
  const place = useStore($place);
  const { part } = placeOf(LOG, place);
  const tabs = (
    <div className={view.parts}>
      <PartTabs view={LOG} name="Log" parts={PARTS} />
    </div>
  );
  return (
    <Part what={PARTS.find(({ value }) => value === part)?.text ?? "Log"} tabs={tabs}>
      {part === "ear" ? (
        <EarShow tabs={tabs} />
      ) : part === "tempo" ? (
        <TempoShow tabs={tabs} />
      ) : part === "routine" ? (
        <RoutineShow tabs={tabs} />
      ) : (
        <DaysShow tabs={tabs} />
      )}
    </Part>
  );
}
