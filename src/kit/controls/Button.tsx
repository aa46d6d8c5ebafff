import type { ComponentProps } from "react";
import { classes } from "@/kit/classes";
import styles from "./Button.module.css";

interface ButtonProps extends Omit<ComponentProps<"button">, "children"> {
  readonly children: string;
  /** `main` is dark, `now` amber: the one thing to press now. */
  readonly kind?: "plain" | "main" | "now" | "quiet";
  /** The key that does the same, shown beside the label. */
  readonly keyName?: string | undefined;
}

/** A square button; its key stands in a small frame. */
export function Button({ children, kind = "plain", keyName, className, ...rest }: ButtonProps) {
  return (
    <button
      type="button"
      className={classes(styles.button, className)}
      data-kind={kind}
      aria-keyshortcuts={keyName}
      {...rest}
    >
      <span>{children}</span>
      {keyName !== undefined && (
        <kbd className={styles.key} aria-hidden="true">
          {keyName}
        </kbd>
      )}
    </button>
  );
}
