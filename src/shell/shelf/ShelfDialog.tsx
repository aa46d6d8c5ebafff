import { useState } from "react";
import type { ShelfQuery } from "@/storage";
import { Dialog } from "@/kit/dialog";
import { later } from "@/kit/later";
import { SHELF_SAYS } from "@/words";

interface ShelfDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

const ShelfThings = later(() => import("./ShelfThings").then(({ ShelfThings }) => ShelfThings));

/** Nothing is looked for: everything, the newest first. */
const EVERYTHING: ShelfQuery = { text: "", tags: [], order: "newest" };

/** The Shelf. What was looked for stays when it is closed. */
export function ShelfDialog({ open, onClose }: ShelfDialogProps) {
  const [query, setQuery] = useState(EVERYTHING);
  return (
    <Dialog title="Shelf" says={SHELF_SAYS} open={open} onClose={onClose} place="side">
      <ShelfThings query={query} onQuery={setQuery} onClose={onClose} />
    </Dialog>
  );
}
