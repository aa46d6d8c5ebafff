import { useStore } from "@nanostores/react";
import { COMPARISONS, REFERENCE_CONVENTIONS } from "@/core/scale";
import { $settings, changeSettings } from "@/session";
import { COMPARISON_TEXT, REFERENCE_TEXT } from "@/words";
import { Select } from "@/kit/controls";

/** What modes are told by: chosen here, it holds everywhere. */
export function ReferenceSelect() {
  const { reference } = useStore($settings);
  return (
    <Select
      label="Reference scale"
      size="small"
      value={reference}
      options={REFERENCE_CONVENTIONS.map((value) => ({ value, text: REFERENCE_TEXT[value] }))}
      onChange={(value) => changeSettings({ reference: value })}
    />
  );
}

/** What characteristic notes tell a mode from: chosen here, it holds everywhere. */
export function ComparisonSelect() {
  const { comparison } = useStore($settings);
  return (
    <Select
      label="Compared with"
      size="small"
      value={comparison}
      options={COMPARISONS.map((value) => ({ value, text: COMPARISON_TEXT[value] }))}
      onChange={(value) => changeSettings({ comparison: value })}
    />
  );
}
