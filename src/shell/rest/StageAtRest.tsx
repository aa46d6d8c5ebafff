import stage from "@/shell/stage/Stage.module.css";
import styles from "./Rest.module.css";

/** The stage before it has come to life: its place, as high as it was when it was last seen. */
export const StageAtRest = () => (
  <section className={stage.stage} aria-label="Stage" data-rest>
    <div className={styles.stage} aria-hidden="true">
      <span />
      <span />
      <span />
      <span />
      <span />
      {/* The page is drawn once this has come in, and so all before it: an element counts from its beginning on. */}
      <span id="stage-at-rest" />
    </div>
  </section>
);
