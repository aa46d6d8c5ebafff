import { useStore } from "@nanostores/react";
import { lazy, Suspense } from "react";
import { $place, type View } from "@/session";
import { useWordingKey } from "@/session/useSchools";
import { DeriveView } from "./derive";

const VIEW: Readonly<Record<View, React.ComponentType>> = {
  derive: DeriveView,
  match: lazy(() => import("./match").then(({ MatchView }) => ({ default: MatchView }))),
  identify: lazy(() => import("./identify").then(({ IdentifyView }) => ({ default: IdentifyView }))),
};

/** The view that the address names. Views change here, so that the stage below and its sound stay. */
export function ViewSwitch() {
  const { view } = useStore($place);
  const wordingKey = useWordingKey();
  const Shown = VIEW[view];
  return (
    <Suspense fallback={null}>
      <Shown key={wordingKey} />
    </Suspense>
  );
}
