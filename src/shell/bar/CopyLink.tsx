import { useState } from "react";
import { linkHere, MOST_LINK } from "@/session";
import { useKeys } from "@/session/useKeys";
import { saveBackup } from "@/shell/shelf";
import { Button } from "@/kit/controls";
import { Dialog } from "@/kit/dialog";
import styles from "./TopBar.module.css";

/** How long the button says that the link was copied, in milliseconds. */
const SAID = 2000;

/** Copies a link to all that is seen, or hands it to the system to share; what is too long for a link goes as a file. */
export function CopyLink() {
  const [said, setSaid] = useState(false);
  const [shown, setShown] = useState<string>();
  const copy = async () => {
    const link = linkHere();
    if (link.length > MOST_LINK) {
      setShown("");
      return;
    }
    try {
      if (matchMedia("(pointer: coarse)").matches && "share" in navigator) {
        await navigator.share({ url: link });
        return;
      }
      await navigator.clipboard.writeText(link);
      setSaid(true);
      setTimeout(() => setSaid(false), SAID);
    } catch (error) {
      // Called off by the user, or a browser that lets nobody copy.
      if (!(error instanceof DOMException && error.name === "AbortError")) setShown(link);
    }
  };
  useKeys("bar-link", [{ key: "L", says: "Copy a link to what you see", act: () => void copy() }]);
  return (
    <>
      <button type="button" onClick={() => void copy()}>
        {said ? "Copied" : "Copy link"}
      </button>
      <Dialog
        title="Link"
        says={
          shown === ""
            ? "This is too long for a link. Save it on the Shelf and send a file instead."
            : "This browser doesn’t let Shade copy. Copy the link from here."
        }
        open={shown !== undefined}
        onClose={() => setShown(undefined)}
      >
        {shown === "" ? (
          <Button kind="main" onClick={saveBackup}>
            Export a file
          </Button>
        ) : (
          <textarea
            className={styles.link}
            aria-label="Link"
            readOnly
            rows={4}
            value={shown ?? ""}
            data-first
          />
        )}
      </Dialog>
    </>
  );
}
