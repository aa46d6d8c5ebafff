import { Button } from "@/kit/controls";
import { Mark } from "@/shell/bar/Mark";
import bar from "@/shell/bar/TopBar.module.css";
import { FIRST_STEPS } from "@/words";
import type { AtRest } from "./rest";
import { classes } from "@/kit/classes";
import styles from "./Rest.module.css";

interface BarAtRestProps {
  readonly front: string;
  readonly views: readonly Pick<AtRest, "id" | "name" | "tries">[];
}

/** What the bar has at its right in every window. */
const TOOLS = ["Shelf", "Find"];

/** The bar before it has come to life: the views are links already, and everything else has its place. */
export const BarAtRest = ({ front, views }: BarAtRestProps) => (
  <>
    <header className={bar.bar} data-rest>
      <a className={bar.name} href={`/${views[0]?.id ?? ""}`}>
        <Mark />
        <span>Shade</span>
      </a>
      <nav aria-label="Views" className={bar.nav}>
        <ul className={bar.views}>
          {views.map(({ id, name }) => (
            <li key={id}>
              <a className={bar.view} href={`/${id}`} aria-current={front === id ? "page" : undefined}>
                {name}
              </a>
            </li>
          ))}
        </ul>
      </nav>
      <div className={bar.tools}>
        {TOOLS.map((name) => (
          <button key={name} type="button" disabled>
            {name}
          </button>
        ))}
      </div>
    </header>
    <div className={classes(bar.first, styles.first)} data-first-steps>
      <span>{FIRST_STEPS}</span>
      {views.map(
        ({ id, tries }) =>
          tries !== undefined && (
            <Button key={id} kind="quiet" disabled>
              {tries}
            </Button>
          ),
      )}
      <button type="button" disabled>
        Hide
      </button>
    </div>
  </>
);
