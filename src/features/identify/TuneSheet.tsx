import type { Identification } from "@/core/identify";
import type { StaffPart } from "@/session/stage/staff-part";
import { MusicSheet } from "@/shell/tune";
import { barRangeText, headlineText, TUNE_SHEET } from "@/words";

interface TuneSheetProps {
  readonly shown: StaffPart;
  readonly title: string;
  readonly found: Identification;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** A tune as it is printed: its music, then each mode with the bars where it holds. */
export function TuneSheet({ shown, title, found, open, onClose }: TuneSheetProps) {
  const { tune } = shown;
  const whole = { bars: { from: 0, to: tune.bars.length - 1 }, homeMode: found.homeMode };
  const passages = found.passages.length > 1 && !found.isByHand ? found.passages : [whole];
  return (
    <MusicSheet
      title={TUNE_SHEET}
      fileName="tune"
      name={title || tune.title || TUNE_SHEET}
      answer={headlineText(found)}
      shown={shown}
      modes={passages.map(({ bars, homeMode }) => ({ homeMode, where: barRangeText(tune, bars) }))}
      open={open}
      onClose={onClose}
    />
  );
}
