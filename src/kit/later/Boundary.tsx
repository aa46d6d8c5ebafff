import { Component, type ReactNode, useEffect } from "react";
import { Button } from "@/kit/controls";
import { partFailedText } from "@/words";
import { isUnloaded, tryAgain } from "./later";
import styles from "./Boundary.module.css";

interface BoundaryProps {
  /** What stands in it, as the user calls it: "Match", "The stage". */
  readonly what: string;
  readonly children: ReactNode;
}

interface BoundaryState {
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

  static getDerivedStateFromError(error: unknown): BoundaryState {
    return { failure: { error } };
  }

  readonly again = (): void => {
    void tryAgain().then(() => this.setState({ failure: undefined }));
  };

  override render(): ReactNode {
    const { failure } = this.state;
    if (!failure) return this.props.children;
    return <Failed what={this.props.what} isUnloaded={isUnloaded(failure.error)} onAgain={this.again} />;
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
