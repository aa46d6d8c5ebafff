import { useStore } from "@nanostores/react";
import type { Sitting } from "@/storage";
import { Asking } from "./Asking";
import { $question } from "./run";
import "./question-selection";
import { Summary } from "./Summary";

/** A sitting that is going on: the question that is open, or what it brought. */
export function SittingShow({ sitting }: { readonly sitting: Sitting }) {
  const question = useStore($question);
  return question ? <Asking sitting={sitting} question={question} /> : <Summary sitting={sitting} />;
}
