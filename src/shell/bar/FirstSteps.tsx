import { useStore } from "@nanostores/react";
import { $features, $ready, $settings, changeSettings } from "@/session";
import { Button } from "@/kit/controls";
import { FIRST_STEPS } from "@/words";
import styles from "./TopBar.module.css";

/** A thing to try in each view, for those who are here for the first time; once dismissed it is gone for good. */
export function FirstSteps() {
  const { firstSteps } = useStore($settings);
  const isReady = useStore($ready);
  const features = useStore($features);
  // Until the settings are read the page's first script knows whether it was put away.
  if (isReady ? !firstSteps : "known" in document.documentElement.dataset) return null;
  return (
    <section className={styles.first} aria-label="First steps">
      <span>{FIRST_STEPS}</span>
      {features.map(
        ({ id, tries, firstStep }) =>
          firstStep &&
          tries !== undefined && (
            <Button key={id} kind="quiet" onClick={firstStep}>
              {tries}
            </Button>
          ),
      )}
      <button type="button" onClick={() => changeSettings({ firstSteps: false })}>
        Hide
      </button>
    </section>
  );
}
