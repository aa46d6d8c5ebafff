import { useLayoutEffect, useRef } from "react";
import { Dialog } from "@/kit/dialog";
import { later } from "@/kit/later";
import { FIND_SAYS } from "@/words";

interface FindDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

const Finding = later(() => import("./Finding").then(({ findingInViews }) => findingInViews()));

/** Finds a mode by name or alias, with a home in front if wanted, or something on the Shelf by its title or words. */
export function FindDialog({ open, onClose }: FindDialogProps) {
  const typed = useTyped(open);
  return (
    <Dialog title="Find" says={FIND_SAYS} open={open} onClose={onClose}>
      <Finding typed={typed} onClose={onClose} />
    </Dialog>
  );
}

/** What is typed while the field is still on its way; Enter is a new line. */
function useTyped(isOpen: boolean): () => string {
  const typed = useRef("");
  useLayoutEffect(() => {
    if (!isOpen) return undefined;
    typed.current = "";
    const listen = (event: KeyboardEvent) => {
      const isText = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
      if (!(isText || event.key === "Enter") || document.querySelector("dialog[open] [data-first]") !== null)
        return;
      typed.current += isText ? event.key : "\n";
      event.preventDefault();
    };
    document.addEventListener("keydown", listen, true);
    return () => document.removeEventListener("keydown", listen, true);
  }, [isOpen]);
  return () => typed.current;
}
