import { useStore } from "@nanostores/react";
import { useState } from "react";
import type { Fifths } from "@/core/pitch";
import { chordsOfNumerals } from "@/formats/numerals";
import { $selection } from "@/session";
import { Button, HomeField } from "@/kit/controls";
import { NUMERALS_ASK, NUMERALS_TAKE } from "@/words";
import own from "./ChartShow.module.css";

interface NumeralsOfferProps {
  /** The chart as it is written, in numerals. */
  readonly text: string;
  /** The same in chord symbols. */
  readonly onTake: (chords: string) => void;
}

/** Of a chart in numerals: the key that they count from, and the way to have them as chords. */
export function NumeralsOffer({ text, onTake }: NumeralsOfferProps) {
  const { homeMode } = useStore($selection);
  const [home, setHome] = useState<Fifths>();
  const from = home ?? homeMode.home;
  return (
    <p className={own.offer}>
      {NUMERALS_ASK}
      <HomeField label="Key of the numerals" size="small" value={from} onChange={setHome} />
      <Button onClick={() => onTake(chordsOfNumerals(text, from) ?? text)}>{NUMERALS_TAKE}</Button>
    </p>
  );
}
