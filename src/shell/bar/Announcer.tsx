import { useStore } from "@nanostores/react";
import { useEffect, useRef, useState } from "react";
import { $features, $place, $selection } from "@/session";
import { answerText, titleText } from "@/words";

/** Milliseconds for which an answer must stand before it is read out: not at each key. */
const SETTLED = 700;

/** The page's title, and the answer for those who cannot see it: politely, once, and only what has changed in it. */
export function Announcer() {
  const selection = useStore($selection);
  const { view } = useStore($place);
  const name = useStore($features).find(({ id }) => id === view)?.name ?? "";
  const title = titleText(selection.homeMode, selection.subject, name);
  const said = selection.said ?? answerText(selection.homeMode, selection.characteristic);
  const [announced, setAnnounced] = useState("");
  const before = useRef<readonly string[]>([]);
  useEffect(() => {
    document.title = title;
  }, [title]);
  const key = said.join("\n");
  useEffect(() => {
    const timer = setTimeout(() => {
      const now = key.split("\n");
      setAnnounced(now.filter((each) => !before.current.includes(each)).join(" "));
      before.current = now;
    }, SETTLED);
    return () => clearTimeout(timer);
  }, [key]);
  return (
    <p className="visually-hidden" aria-live="polite">
      {announced}
    </p>
  );
}
