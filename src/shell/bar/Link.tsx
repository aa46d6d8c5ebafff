import { useState } from "react";
import { linkHere, MAX_LINK } from "@/session";
import { saveBackup } from "@/shell/shelf";
import { Button } from "@/kit/controls";
import { Dialog } from "@/kit/dialog";
import styles from "./TopBar.module.css";
import { LINK_TOO_LONG, LINK_NOT_COPIED } from "@/words";

/** How long it is said that the link was copied, in milliseconds. */
const SAID = 2000;

/** What could not be copied: a link for the user to copy, or one that is too long. */
type Left = { readonly link: string } | "too-long";

/** Copies a link to all that is seen, or hands it to the system to share. */
export function useLink() {
  const [isCopied, setCopied] = useState(false);
  const [left, setLeft] = useState<Left>();
  const give = async () => {
    const link = await linkHere();
    if (link === undefined) return;
    if (link.length > MAX_LINK) {
      setLeft("too-long");
      return;
    }
    try {
      if (matchMedia("(pointer: coarse)").matches && "share" in navigator) {
        await navigator.share({ url: link });
        return;
      }
      await navigator.clipboard.writeText(link);
      setCopied(true);
      setTimeout(() => setCopied(false), SAID);
    } catch (error) {
      // Called off by the user, or a browser that lets nobody copy.
      if (!(error instanceof DOMException && error.name === "AbortError")) setLeft({ link });
    }
  };
  return { copy: () => void give(), isCopied, left, close: () => setLeft(undefined) };
}

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
