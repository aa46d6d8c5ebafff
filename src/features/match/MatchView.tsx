import { useStore } from "@nanostores/react";
import { later } from "@/kit/later";
import { Part } from "@/shell/frame/Part";
import { PartTabs } from "@/shell/frame/PartTabs";
import { ChartShow } from "./ChartShow";
import { $matchShow, MATCH } from "./route";

const OverBassShow = later(() => import("./OverBassShow").then(({ OverBassShow }) => OverBassShow));
const WriteShow = later(() => import("./WriteShow").then(({ WriteShow }) => WriteShow));

const PARTS = [
  { value: "chart", text: "Chart", keyName: "c", says: "A chart and its analyses" },
  { value: "write", text: "Chords for a mode", keyName: "w", says: "Chords for a mode" },
  { value: "over-bass", text: "Slash chords", keyName: "o", says: "Slash chords over one bass" },
] as const;

/** Match: modes for chords, chords for a mode, and one shape over a bass. */
export function MatchView() {
  const show = useStore($matchShow);
  const tabs = <PartTabs view={MATCH} name="Match" parts={PARTS} />;
  return (
    <Part what={PARTS.find(({ value }) => value === show)?.text ?? "Match"} tabs={tabs}>
      {show === "write" ? (
        <WriteShow tabs={tabs} />
      ) : show === "over-bass" ? (
        <OverBassShow tabs={tabs} />
      ) : (
        <ChartShow tabs={tabs} />
      )}
    </Part>
  );
}
