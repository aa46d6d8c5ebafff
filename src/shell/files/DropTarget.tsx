import { useEffect, useState } from "react";
import { openFiles } from "@/session";
import { droppedFiles } from "@/kit/files";
import styles from "./DropTarget.module.css";

/** Files can be dropped anywhere on the page: while they are over it, it says so. */
export function DropTarget() {
  const [isOver, setOver] = useState(false);
  useEffect(() => {
    /** Parts of the page that the pointer has entered and not left. */
    let depth = 0;
    const isFiles = ({ dataTransfer }: DragEvent) => dataTransfer?.types.includes("Files") === true;
    const enter = (event: DragEvent) => {
      if (!isFiles(event)) return;
      depth += 1;
      setOver(true);
    };
    const leave = (event: DragEvent) => {
      if (!isFiles(event)) return;
      depth = Math.max(0, depth - 1);
      if (depth === 0) setOver(false);
    };
    const over = (event: DragEvent) => {
      if (isFiles(event)) event.preventDefault();
    };
    const drop = (event: DragEvent) => {
      depth = 0;
      setOver(false);
      if (!event.dataTransfer || event.dataTransfer.items.length === 0) return;
      event.preventDefault();
      void droppedFiles(event.dataTransfer).then(openFiles);
    };
    const listeners = { dragenter: enter, dragleave: leave, dragover: over, drop };
    for (const [name, listen] of Object.entries(listeners))
      window.addEventListener(name, listen as EventListener);
    return () => {
      for (const [name, listen] of Object.entries(listeners))
        window.removeEventListener(name, listen as EventListener);
    };
  }, []);
  if (!isOver) return null;
  return (
    <div className={styles.target} aria-hidden="true">
      <p>Drop to open</p>
    </div>
  );
}
