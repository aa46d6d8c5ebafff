import { saveBackup } from "@/shell/shelf";
import { Button } from "@/kit/controls";
import { Dialog } from "@/kit/dialog";
import { LINK_TOO_LONG, LINK_NOT_COPIED } from "@/words";
import type { useLink } from "./useLink";
import styles from "./TopBar.module.css";

/** A link that could not be copied; what is too long for one goes as a file. */
export function LinkDialog({ link: { left, close } }: { readonly link: ReturnType<typeof useLink> }) {
  const isLong = left === "too-long";
  return (
    <Dialog
      title="Link"
      says={isLong ? LINK_TOO_LONG : LINK_NOT_COPIED}
      open={left !== undefined}
      onClose={close}
    >
      {isLong ? (
        <Button kind="main" onClick={saveBackup}>
          Export a file
        </Button>
      ) : (
        <textarea
          className={styles.link}
          aria-label="Link"
          readOnly
          rows={4}
          value={left?.link ?? ""}
          data-first
        />
      )}
    </Dialog>
  );
}
