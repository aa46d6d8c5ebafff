import { useStore } from "@nanostores/react";
import { $settings, changeSettings } from "@/session";
import { Choice } from "@/kit/controls";
import { usePaper } from "@/kit/sheet";

/** What a sheet is printed on; while it is shown, the browser prints on that. */
export function PaperChoice() {
  const { paper } = useStore($settings);
  usePaper(paper);
  return (
    <Choice
      label="Paper"
      size="small"
      value={paper}
      options={[
        { value: "a4", text: "A4" },
        { value: "letter", text: "Letter" },
      ]}
      onChange={(value) => changeSettings({ paper: value })}
    />
  );
}
