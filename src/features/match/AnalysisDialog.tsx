import { useStore } from "@nanostores/react";
import { ANALYSIS_KINDS } from "@/core/progression";
import { FAMILIES, modesOfFamilies, USUAL_FAMILIES } from "@/core/scale";
import { $settings, changeSettings } from "@/session";
import { Button, Select, Toggle } from "@/kit/controls";
import { Dialog, Setting } from "@/kit/dialog";
import { capital, countText, familyText, ANALYSIS_TEXT, ANALYSIS_SAYS } from "@/words";
import styles from "./AnalysisDialog.module.css";

interface AnalysisDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly families: readonly string[];
}

/** Which analyses stand under the chords, and which scales they may take. One family stays at least. */
export function AnalysisDialog({ open, onClose, families }: AnalysisDialogProps) {
  const { bands, guides } = useStore($settings);
  const choose = (next: readonly string[]) =>
    changeSettings({ families: FAMILIES.map(({ id }) => id).filter((id) => next.includes(id)) });
  return (
    <Dialog title="Analysis" says={ANALYSIS_SAYS} open={open} onClose={onClose} place="side">
      <Setting name="Under the chords">
        <Select
          label="Which analyses are shown"
          size="small"
          value={bands}
          options={[
            { value: "all", text: "all three" },
            ...ANALYSIS_KINDS.map((value) => ({ value, text: ANALYSIS_TEXT[value].toLowerCase() })),
          ]}
          onChange={(value) => changeSettings({ bands: value })}
        />
        <Toggle isOn={guides} onChange={(isOn) => changeSettings({ guides: isOn })}>
          Guide tones
        </Toggle>
      </Setting>
      <h3>Scales</h3>
      <div className={styles.quick}>
        <Button onClick={() => choose(["major"])}>Major alone</Button>
        <Button onClick={() => choose(USUAL_FAMILIES)}>The usual four</Button>
        <Button onClick={() => choose(FAMILIES.map(({ id }) => id))}>All</Button>
      </div>
      <ul className={styles.families}>
        {FAMILIES.map((family) => {
          const isOn = families.includes(family.id);
          const isLast = isOn && families.length === 1;
          return (
            <li key={family.id}>
              <label className={styles.family}>
                <input
                  type="checkbox"
                  checked={isOn}
                  disabled={isLast}
                  onChange={() =>
                    choose(isOn ? families.filter((id) => id !== family.id) : [...families, family.id])
                  }
                />
                <span>{capital(familyText(family))}</span>
                <small>{countText(modesOfFamilies([family.id]).length, "mode")}</small>
              </label>
            </li>
          );
        })}
      </ul>
    </Dialog>
  );
}
