import type { MouseEvent } from "react";
import styles from "./Tabs.module.css";

interface TabsProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly tabs: readonly {
    readonly value: T;
    readonly text: string;
    readonly href: string;
    readonly keyName: string;
  }[];
  readonly onChoose: (value: T) => void;
}

/** Places beside each other, each with an address of its own: links in a row, the one that is open underlined. */
export function Tabs<T extends string>({ label, value, tabs, onChoose }: TabsProps<T>) {
  const follow = (tab: T) => (event: MouseEvent) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    onChoose(tab);
  };
  return (
    <nav aria-label={label}>
      <ul className={styles.tabs}>
        {tabs.map((tab) => (
          <li key={tab.value}>
            <a
              className={styles.tab}
              href={tab.href}
              aria-current={tab.value === value ? "page" : undefined}
              aria-keyshortcuts={tab.keyName}
              onClick={follow(tab.value)}
            >
              {tab.text}
            </a>
          </li>
        ))}
      </ul>
    </nav>
  );
}
