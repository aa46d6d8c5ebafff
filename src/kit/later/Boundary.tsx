import { Component, type ReactNode, useEffect } from "react";
import { Button } from "@/kit/controls";
import { partFailedText } from "@/words";
import { isUnloaded, tryAgain } from "./later";
import styles from "./Boundary.module.css";

interface BoundaryProps {
  /** What stands in it, as the user calls it: "Match", "The stage". */
  readonly what: string;
  readonly children: ReactNode;
  /** What stands around the words where it fails. */
  readonly around?: (failed: ReactNode) => ReactNode;
}

interface BoundaryState {
  /** Of what the failure is: what comes after it has none yet. */
  readonly what?: string;
  readonly failure?: { readonly error: unknown } | undefined;
}

/**
 * Keeps a failure to one part of the page: it says what failed and offers to try again, and everything else goes on.
 *
 * It has no `componentDidMount`: where its content suspends while the page is hydrated, React calls `componentDidUpdate` for it, which
 * isn't there, and the whole island is lost.
 */
export class Boundary extends Component<BoundaryProps, BoundaryState> {
  override state: BoundaryState = {};

  static getDerivedStateFromProps({ what }: BoundaryProps, state: BoundaryState): BoundaryState | null {
    return state.what === what ? null : { what, failure: undefined };
  }

  static getDerivedStateFromError(error: unknown): BoundaryState {
    return { failure: { error } };
  }

  readonly again = (): void => {
    void tryAgain().then(() => this.setState({ failure: undefined }));
  };

  override render(): ReactNode {
    const { failure } = this.state;
    const { children, what, around } = this.props;
    if (!failure) return children;
    const failed = <Failed what={what} isUnloaded={isUnloaded(failure.error)} onAgain={this.again} />;
    return around ? around(failed) : failed;
  }
}

interface FailedProps {
  readonly what: string;
  /** It could not be fetched: it is fetched again by itself when the network is back. */
  readonly isUnloaded: boolean;
  readonly onAgain: () => void;
}

function Failed({ what, isUnloaded, onAgain }: FailedProps) {
  useEffect(() => {
    if (!isUnloaded) return undefined;
    window.addEventListener("online", onAgain);
    return () => window.removeEventListener("online", onAgain);
  }, [isUnloaded, onAgain]);
  return (
    <div className={styles.failed} role="alert">
      <p>{partFailedText(what, isUnloaded)}</p>
      <Button onClick={onAgain}>Try again</Button>
    </div>
  );
}
