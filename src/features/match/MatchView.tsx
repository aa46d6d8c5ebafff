import { useStore } from "@nanostores/react";
import { $place, MATCH_SHOWS, type MatchShow, setPlace, writeAddress } from "@/session";
import { Tabs } from "@/kit/controls";
import { useKeys } from "@/session/useKeys";
import { ChartShow, useLinkedChords } from "./ChartShow";
import { OverBassShow } from "./OverBassShow";
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
  useLinkedChords();
  useKeys(
    "match-shows",
    MATCH_SHOWS.map((each) => ({
      key: TAB[each].keyName,
      says: TAB[each].says,
      act: () => setPlace({ matchShow: each }),
    })),
  );
  const tabs = (
    <Tabs
      label="Parts of Match"
      value={place.matchShow}
      tabs={MATCH_SHOWS.map((each) => ({
        value: each,
        ...TAB[each],
        href: writeAddress({ ...place, matchShow: each }),
      }))}
      onChoose={(next) => setPlace({ matchShow: next })}
    />
  );
  if (place.matchShow === "write") return <WriteShow tabs={tabs} />;
  if (place.matchShow === "over-bass") return <OverBassShow tabs={tabs} />;
  return <ChartShow tabs={tabs} />;
}
