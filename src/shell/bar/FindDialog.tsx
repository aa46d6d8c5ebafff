import { useLayoutEffect, useState } from "react";
import { Dialog } from "@/kit/dialog";
import { later, Waiting } from "@/kit/later";
import { FIND_SAYS, LOADING } from "@/words";

interface FindDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

const Finding = later(() => import("./Finding").then(({ findingInViews }) => findingInViews()));

/** Finds a mode by name or alias, with a home in front if wanted, or something on the Shelf by its title or words. */
export const FindDialog = ({ open, onClose }: FindDialogProps) => (
  <Dialog title="Find" says={FIND_SAYS} open={open} onClose={onClose}>
    <Typed onClose={onClose} />
  </Dialog>
);

/** What is typed, while the field is still on its way too. */
function Typed({ onClose }: Pick<FindDialogProps, "onClose">) {
  const [text, setText] = useState("");
  const [isEntered, setEntered] = useState(false);
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const isText = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
      if (!(isText || event.key === "Enter") || document.querySelector("dialog[open] [data-first]") !== null)
        return;
      event.preventDefault();
      if (isText) setText((before) => before + event.key);
      else setEntered(true);
    };
    document.addEventListener("keydown", listen, true);
    return () => document.removeEventListener("keydown", listen, true);
  }, []);
  return (
    <Waiting fallback={<p role="status">{LOADING}</p>}>
      <Finding text={text} onText={setText} isEntered={isEntered} onClose={onClose} />
    </Waiting>
  );
}
