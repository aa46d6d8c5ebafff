import { shelf } from "@/session";
import type { ToSave } from "@/storage";
import { Dialog } from "@/kit/dialog";
import { later } from "@/kit/later";
import { SAVE_SAYS } from "@/words";

const SavedForm = later(() => import("./SavedForm").then(({ SavedForm }) => SavedForm));

interface SaveDialogProps {
  /** What is to be kept; undefined while there is nothing to ask. */
  readonly thing: ToSave | undefined;
  readonly onClose: () => void;
}

/** Asks for a title and the user's own words, and puts the thing on the Shelf. */
export function SaveDialog({ thing, onClose }: SaveDialogProps) {
  return (
    <Dialog title="Save" says={SAVE_SAYS} open={thing !== undefined} onClose={onClose}>
      {thing && (
        <SavedForm
          title={thing.title}
          words={thing.words}
          tags={thing.tags}
          folder={thing.folder}
          act="Save"
          onDone={(part) => {
            shelf.save({ ...thing, ...part });
            onClose();
          }}
          onCancel={onClose}
        />
      )}
    </Dialog>
  );
}
