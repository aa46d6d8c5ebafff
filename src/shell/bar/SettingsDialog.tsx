import { Dialog } from "@/kit/dialog";
import { later } from "@/kit/later";
import { SETTINGS_SAY } from "@/words";

interface SettingsDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

const SettingsForm = later(() => import("./SettingsForm").then(({ SettingsForm }) => SettingsForm));

/** Names, solfège and comparisons, where players disagree; the theme, keys and storage. */
export function SettingsDialog({ open, onClose }: SettingsDialogProps) {
  return (
    <Dialog title="Settings" says={SETTINGS_SAY} open={open} onClose={onClose} place="side">
      <SettingsForm />
    </Dialog>
  );
}
