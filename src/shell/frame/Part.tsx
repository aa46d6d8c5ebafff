import { type ReactNode } from "react";
import { Boundary, Waiting } from "@/kit/later";
import view from "./View.module.css";

interface PartProps {
  /** What the part is called: "Slash chords". */
  readonly what: string;
  /** The tabs of the view, which stay while the part is fetched and where it fails. */
  readonly tabs: ReactNode;
  readonly children: ReactNode;
}

/** A part of a view: while it is fetched, and where it breaks, the others can be gone to. */
export function Part({ what, tabs, children }: PartProps) {
  const only = (below?: ReactNode) => (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        {below}
      </div>
    </div>
  );
  return (
    <Boundary what={what} around={only}>
      <Waiting fallback={only()}>{children}</Waiting>
    </Boundary>
  );
}
