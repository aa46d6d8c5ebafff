import { useState } from "react";
import { linkHere, MAX_LINK } from "@/session";

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
