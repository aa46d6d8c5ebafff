import { useStore } from "@nanostores/react";
import { useEffect } from "react";
import { $incoming, $place, addressOf, placeOf } from "@/session";
import { Tabs } from "@/kit/controls";
import { useKeys } from "@/session/useKeys";
import { ChartShow } from "./ChartShow";
import { OverBassShow } from "./OverBassShow";
import { $matchShow, MATCH, MATCH_SHOWS, type MatchShow, showPart } from "./route";
import { WriteShow } from "./WriteShow";

const TAB: Readonly<
  Record<MatchShow, { readonly text: string; readonly keyName: string; readonly says: string }>
> = {
  chart: { text: "Chart", keyName: "c", says: "A chart and its readings" },
  write: { text: "Chords for a mode", keyName: "w", says: "Chords for a mode" },
  "over-bass": { text: "Over one bass", keyName: "o", says: "One shape over a bass" },
};

/** Match: modes for chords, chords for a mode, and one shape over a bass. */
export function MatchView() {
  const place = useStore($place);
  const show = useStore($matchShow);
  const incoming = useStore($incoming);
  // A chart from a file is opened where charts are.
  useEffect(() => {
    if (incoming?.to === MATCH && show !== "chart") showPart("chart");
  }, [incoming, show]);
  useKeys(
    "match-parts",
    MATCH_SHOWS.map((each) => ({
      key: TAB[each].keyName,
      says: TAB[each].says,
      act: () => showPart(each),
    })),
  );
  const tabs = (
    <Tabs
      label="Parts of Match"
      value={show}
      tabs={MATCH_SHOWS.map((each) => ({
        value: each,
        ...TAB[each],
        href: addressOf({
          ...place,
          views: { ...place.views, [MATCH]: { ...placeOf(MATCH, place), part: each } },
        }),
      }))}
      onChoose={showPart}
    />
  );
  if (show === "write") return <WriteShow tabs={tabs} />;
  if (show === "over-bass") return <OverBassShow tabs={tabs} />;
  return <ChartShow tabs={tabs} />;
}
