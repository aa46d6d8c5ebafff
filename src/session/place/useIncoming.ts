import { useStore } from "@nanostores/react";
import { useEffect, useEffectEvent } from "react";
import { $incoming } from "@/session";

/** Takes files that come in for a view, once each. */
export function useIncoming(to: string, take: (files: readonly File[]) => void): void {
  const incoming = useStore($incoming);
  const taken = useEffectEvent(take);
  useEffect(() => {
    if (incoming?.to !== to) return;
    $incoming.set(undefined);
    taken(incoming.files);
  }, [incoming, to]);
}
