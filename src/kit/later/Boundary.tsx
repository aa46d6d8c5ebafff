import { Component, type ReactNode } from "react";
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
 * Keeps a failure to one part of the page: it says what failed and offers to try again, and everything else goes on. What could not be
 * loaded is tried again by itself when the network is back.
 */
export class Boundary extends Component<BoundaryProps, BoundaryState> {
  override state: BoundaryState = {};

  static getDerivedStateFromError(error: unknown): BoundaryState {
    return { failure: { error } };
  }

  override componentDidMount(): void {
    window.addEventListener("online", this.goOn);
  }

  override componentWillUnmount(): void {
    window.removeEventListener("online", this.goOn);
  }

  readonly goOn = (): void => {
    if (this.state.failure && isUnloaded(this.state.failure.error)) this.again();
  };

  readonly again = (): void => {
    void tryAgain().then(() => this.setState({ failure: undefined }));
  };

  override render(): ReactNode {
    const { failure } = this.state;
    if (!failure) return this.props.children;
    return (
      <div className={styles.failed} role="alert">
        <p>{partFailedText(this.props.what, isUnloaded(failure.error))}</p>
        <Button onClick={this.again}>Try again</Button>
      </div>
    );
  }
}
