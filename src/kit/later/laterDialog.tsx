import { type ComponentType, type FunctionComponent, useState } from "react";
import { Boundary } from "./Boundary";
import { later } from "./later";
import { Waiting } from "./Waiting";

/** What every dialog is told. */
interface DialogState {
  readonly open: boolean;
}

/**
 * A dialog that is fetched when it is first opened, and stays from then on, so that what was set in it stays too.
 *
 * @param what how the user calls it, for where it can't be had
 * @example const LeadSheet = laterDialog("Print", () => import("./LeadSheet").then(({ LeadSheet }) => LeadSheet));
 */
export function laterDialog<P extends DialogState>(
  what: string,
  load: () => Promise<ComponentType<P>>,
): FunctionComponent<P> {
  const Loaded = later(load);
  return function LaterDialog(props: P) {
    const [wasOpened, setOpened] = useState(props.open);
    if (props.open && !wasOpened) setOpened(true);
    if (!wasOpened) return null;
    return (
      <Boundary what={what}>
        <Waiting fallback={null}>
          <Loaded {...props} />
        </Waiting>
      </Boundary>
    );
  };
}
