import type { AtRest, RestPicture } from "./rest";
import view from "@/shell/frame/View.module.css";
import styles from "./Rest.module.css";

/** The shades of a ladder, from bright to dark, and what of it is open: the seven modes of the major scale, each a note darker. */
const LADDER: readonly (readonly [shade: number, cells: string])[] = [
  [3, "x.x.x.xx.x.x"],
  [2, "x.x.xx.x.x.x"],
  [1, "x.x.xx.x.xx."],
  [0, "x.xx.x.x.xx."],
  [-1, "x.xx.x.xx.x."],
  [-2, "xx.x.x.xx.x."],
  [-3, "xx.x.xx.x.x."],
];

const times = (count: number) => [...Array(count).keys()];

const Ladder = () => (
  <div className={styles.ladder}>
    {LADDER.map(([shade, cells]) => (
      <div key={shade} className={styles.row} data-shade={shade}>
        {[...cells].map((cell, at) => (
          <span key={at} className={styles.cell} data-open={cell === "x" || undefined} />
        ))}
      </div>
    ))}
  </div>
);

const Chart = () => (
  <div className={styles.chart}>
    {times(8).map((bar) => (
      <span key={bar} />
    ))}
  </div>
);

const Staff = () => (
  <div className={styles.staff}>
    {times(5).map((line) => (
      <span key={line} />
    ))}
  </div>
);

const Answers = () => (
  <div className={styles.answers}>
    {times(4).map((answer) => (
      <span key={answer} />
    ))}
  </div>
);

const Month = () => (
  <div className={styles.month}>
    {times(35).map((day) => (
      <span key={day} />
    ))}
  </div>
);

const PICTURES: Readonly<Record<RestPicture, () => React.JSX.Element>> = {
  ladder: Ladder,
  chart: Chart,
  staff: Staff,
  answers: Answers,
  month: Month,
};

/** A view before it has come to life: its name, its question, and the picture that its answer will stand in. */
export function ViewAtRest({ name, asks, picture }: AtRest) {
  const Picture = PICTURES[picture];
  return (
    <div className={view.view} data-rest>
      <div className={view.answer}>
        <div className={styles.tabs}>
          <h1 className={styles.name}>{name}</h1>
        </div>
        <div className={view.sentence}>
          <p>{asks}</p>
        </div>
        <div className={styles.picture} aria-hidden="true">
          <Picture />
        </div>
      </div>
      <div className={styles.panel} aria-hidden="true" />
    </div>
  );
}
