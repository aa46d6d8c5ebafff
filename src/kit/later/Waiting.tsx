import { useStore } from "@nanostores/react";
import { type ReactNode, Suspense } from "react";
import { $arrived } from "./later";

interface WaitingProps {
  /** What stands there until everything in it has come. */
  readonly fallback: ReactNode;
  readonly children: ReactNode;
}

/**
 * Where parts of the page that are loaded later will stand.
 *
 * It is drawn again at once when a part has come. Left to itself React waits up to 0.3 s after the last fallback before it shows what has come,
 * and where an effect changes something at the end of that wait it throws ("Cannot commit the same tree as before").
 */
export function Waiting({ fallback, children }: WaitingProps) {
  useStore($arrived);
  return <Suspense fallback={fallback}>{children}</Suspense>;
}
