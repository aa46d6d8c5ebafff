import { useStore } from "@nanostores/react";
import { type ComponentType, Suspense, useEffect } from "react";
import { $jobsUnderWay } from "@/workers";
import { $features, $place, $ready } from "@/session";
import { useWording } from "@/session/settings/useConventions";
import { LegendLine } from "@/shell/legend";
import { PracticeBar } from "@/shell/practice";

/** The view that the address names. Views change here, so that the stage below and its sound stay. */
export function ViewSwitch() {
  const { view } = useStore($place);
  const features = useStore($features);
  // Names of notes change in place: what is selected, typed and left out stays.
  useWording();
  const Shown = features.find(({ id }) => id === view)?.View;
  return (
    <>
      <Suspense fallback={null}>{Shown && <Settling View={Shown} />}</Suspense>
      <LegendLine />
      <PracticeBar />
    </>
  );
}

/** A view that has come to life. While nothing is being read or computed for it, the page says so: `data-settled` on its root. */
function Settling({ View }: { readonly View: ComponentType }) {
  const isReady = useStore($ready);
  const jobs = useStore($jobsUnderWay);
  const isSettled = isReady && jobs === 0;
  useEffect(() => {
    document.documentElement.toggleAttribute("data-settled", isSettled);
    return () => document.documentElement.removeAttribute("data-settled");
  }, [isSettled, View]);
  return <View />;
}
