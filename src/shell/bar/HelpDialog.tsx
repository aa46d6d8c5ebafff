import { Dialog } from "@/kit/dialog";
import { later } from "@/kit/later";
import { useStore } from "@nanostores/react";
import { $features, $place } from "@/session";

interface HelpDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

const HelpPages = later(() => import("./HelpPages").then(({ HelpPages }) => HelpPages));

/** The help: what the view in front is for, its keys, what the marks mean, and the terms of the field. */
export function HelpDialog({ open, onClose }: HelpDialogProps) {
  const { view } = useStore($place);
  const front = useStore($features).find(({ id }) => id === view);
  return (
    <Dialog title="Help" says={front?.help ?? ""} open={open} onClose={onClose}>
      <HelpPages />
    </Dialog>
  );
}
