import { useStore } from "@nanostores/react";
import { Suspense } from "react";
import { $features, $place } from "@/session";
import { useWording } from "@/session/useConventions";
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
      <Suspense fallback={null}>{Shown && <Shown />}</Suspense>
      <LegendLine />
      <PracticeBar />
    </>
  );
}
