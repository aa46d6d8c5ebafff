import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { type ReactNode, useState } from "react";
import { foldersOf, MAX_FOLDER, readFolder, type Saved } from "@/storage";
import { Button, TextField } from "@/kit/controls";
import { FOLDER_SAYS, folderText, NEEDS_FOLDER } from "@/words";
import styles from "./Shelf.module.css";

interface FoldersProps {
  readonly things: readonly Saved[];
  /** The folder that is open: "" for what lies in none, undefined for everything. */
  readonly folder: string | undefined;
  readonly onFolder: (folder: string | undefined) => void;
  /** Puts a thing into a folder, or into none. */
  readonly onMove: (id: string, folder: string | undefined) => void;
  /** The things themselves, which are dragged by their handles. */
  readonly children: ReactNode;
}

/** What lies in no folder, as a place to drop things on. */
const NONE = "";

/** The folders of the Shelf: opened by a press, filled by dragging things onto them; the form of a thing does the same by keyboard. */
export function Folders({ things, folder, onFolder, onMove, children }: FoldersProps) {
  const [dragged, setDragged] = useState<string>();
  const [made, setMade] = useState<readonly string[]>([]);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 200, tolerance: 8 } }),
  );
  const used = foldersOf(things);
  const names = [
    ...used,
    ...made.filter((name) => !used.some((each) => each.name === name)).map((name) => ({ name, count: 0 })),
  ];
  const inNone = things.filter((each) => each.folder === undefined).length;
  const end = ({ active, over }: DragEndEvent) => {
    setDragged(undefined);
    if (over) onMove(String(active.id), over.id === NONE ? undefined : String(over.id));
  };
  return (
    <DndContext
      sensors={sensors}
      onDragStart={({ active }) => setDragged((active.data.current as { title: string }).title)}
      onDragEnd={end}
      onDragCancel={() => setDragged(undefined)}
    >
      {things.length > 0 && (
        <div className={styles.acts} role="group" aria-label="Folders">
          <Button kind="quiet" aria-pressed={folder === undefined} onClick={() => onFolder(undefined)}>
            Everything
          </Button>
          {names.length > 0 && (
            <Folder name={NONE} count={inNone} isOpen={folder === NONE} onOpen={() => onFolder(NONE)} />
          )}
          {names.map(({ name, count }) => (
            <Folder
              key={name}
              name={name}
              count={count}
              isOpen={folder === name}
              onOpen={() => onFolder(name)}
            />
          ))}
          <TextField
            label="New folder"
            value=""
            placeholder="New folder"
            width={12}
            size="small"
            onCommit={(text) => {
              const name = readFolder(text, MAX_FOLDER);
              if (name === undefined) return NEEDS_FOLDER;
              setMade([...new Set([...made, name])]);
              return undefined;
            }}
          />
        </div>
      )}
      {names.some(({ count }) => count === 0) && <p className={styles.tags}>{FOLDER_SAYS}</p>}
      {children}
      <DragOverlay dropAnimation={null}>
        {dragged === undefined ? null : <span className={styles.dragged}>{dragged}</span>}
      </DragOverlay>
    </DndContext>
  );
}

interface FolderProps {
  readonly name: string;
  readonly count: number;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
}

/** A folder: pressed it opens, and what is dropped on it lies in it. */
function Folder({ name, count, isOpen, onOpen }: FolderProps) {
  const { setNodeRef, isOver } = useDroppable({ id: name });
  return (
    <span ref={setNodeRef} className={styles.folder} data-over={isOver || undefined}>
      <Button kind="quiet" aria-pressed={isOpen} onClick={onOpen}>
        {folderText(name, count)}
      </Button>
    </span>
  );
}
