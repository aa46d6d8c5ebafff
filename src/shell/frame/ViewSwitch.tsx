import { useStore } from "@nanostores/react";
import { type ComponentType, useEffect } from "react";
import { $jobsUnderWay } from "@/workers";
import { $features, $hasPractice, $isWhole, $place, $ready, comesAlive } from "@/session";
import { useWording } from "@/session/settings/useConventions";
import { $fetching, Boundary, later, Waiting } from "@/kit/later";
import { LegendLine } from "@/shell/legend";
import { ViewAtRest } from "@/shell/rest";

const PracticeBar = later(() =>
  import("@/shell/practice/PracticeBar").then(({ PracticeBar }) => PracticeBar),
);

/** The view that the address names. Views change here, so that the stage below and its sound stay. */
export function ViewSwitch() {
  const { view } = useStore($place);
  const features = useStore($features);
  const hasPractice = useStore($hasPractice);
  // Names of notes change in place: what is selected, typed and left out stays.
  useWording();
  const front = features.find(({ id }) => id === view);
  return (
    <>
      {front && (
        <Boundary key={view} what={front.name}>
          <Waiting fallback={<ViewAtRest {...front} />}>
            <Settling View={front.View} />
          </Waiting>
        </Boundary>
      )}
      <LegendLine />
      {hasPractice && (
        <Boundary what="The practice">
          <Waiting fallback={null}>
            <PracticeBar />
          </Waiting>
        </Boundary>
      )}
    </>
  );
}

/**
 * A view that has come to life. While nothing is being read, fetched or computed for it, the page says so: `data-settled` on its root.
 */
function Settling({ View }: { readonly View: ComponentType }) {
  const isReady = useStore($ready);
  const jobs = useStore($jobsUnderWay);
  const fetching = useStore($fetching);
  const isWhole = useStore($isWhole);
  const isSettled = isWhole && isReady && jobs === 0 && fetching === 0;
  useEffect(() => comesAlive("view"), []);
  useEffect(() => {
    document.documentElement.toggleAttribute("data-settled", isSettled);
    return () => document.documentElement.removeAttribute("data-settled");
  }, [isSettled, View]);
  return <View />;
}
