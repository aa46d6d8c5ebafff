import { FAMILIES, modesOfFamilies, USUAL_FAMILIES } from "@/core/scale";
import { changeSettings } from "@/state";
import { Button } from "@/ui/controls";
import { Dialog } from "@/ui/dialog";
import { capital, countText, familyText } from "@/ui/words";
import styles from "./ScalesDialog.module.css";

interface ScalesDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly families: readonly string[];
}

/** Which scales the readings may take. One family stays at least. */
export function ScalesDialog({ open, onClose, families }: ScalesDialogProps) {
  const choose = (next: readonly string[]) =>
    changeSettings({ families: FAMILIES.map(({ id }) => id).filter((id) => next.includes(id)) });
  return (
    <Dialog
      title="Scales"
      says="The readings take modes of these scales, and no others. What you set by hand is taken in any case."
      open={open}
      onClose={onClose}
      place="side"
    >
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
