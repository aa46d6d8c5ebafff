import { type ReactNode, useId } from "react";
import { Boundary } from "@/kit/later";
import { Term, Words } from "@/kit/words";
import { type Phrase } from "@/words";
import styles from "./Panel.module.css";

interface PanelProps {
  readonly title: string;
  /** Set small beside the title. */
  readonly aside?: string | undefined;
  /** What turns the panel's pages, at its upper right corner. */
  readonly corner?: ReactNode;
  readonly children: ReactNode;
  /** The acts at the panel's foot. */
  readonly acts?: ReactNode;
}

/** The panel at the right: the answer in words, its working, and what can be done with it. */
export function Panel({ title, aside, corner, children, acts }: PanelProps) {
  const id = useId();
  return (
    <section className={styles.panel} aria-labelledby={id}>
      <div className={styles.head}>
        <h2 id={id} className={styles.title}>
          {title}
          {aside !== undefined && <small className={styles.aside}> {aside}</small>}
        </h2>
        {corner}
      </div>
      <div className={styles.body}>
        <Boundary what={title}>{children}</Boundary>
      </div>
      {acts !== undefined && <div className={styles.acts}>{acts}</div>}
    </section>
  );
}

/** A paragraph of the panel. */
export function Saying({ children }: { readonly children: string | readonly Phrase[] }) {
  return (
    <p className={styles.saying}>{typeof children === "string" ? children : <Words>{children}</Words>}</p>
  );
}

/** Rows of a name and what stands for it. */
export function Facts({ rows }: { readonly rows: readonly (readonly [name: string, fact: ReactNode])[] }) {
  return (
    <dl className={styles.facts}>
      {rows.map(([name, fact]) => (
        <div key={name} className={styles.row}>
          <dt>
            <Term of={name} />
          </dt>
          <dd>{fact}</dd>
        </div>
      ))}
    </dl>
  );
}
