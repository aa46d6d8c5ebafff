import { useStore } from "@nanostores/react";
import { type MouseEvent, useEffect, useState } from "react";
import {
  $alive,
  $features,
  $hasPlayed,
  $place,
  $selection,
  $settings,
  $sheet,
  addressOf,
  changeSettings,
  goTo,
  placeOf,
  currentPlace,
  shelf,
  type Sheet,
  start,
} from "@/session";
import { useKeys } from "@/session/place/useKeys";
import { Boundary, later, Waiting } from "@/kit/later";
import { Popover } from "@/kit/popover";
import { useAfterPaint } from "@/kit/useAfterPaint";
import { useNarrow } from "@/kit/useNarrow";
import { countStored } from "@/storage/shelf";
import { figureText } from "@/words";
import { useLink } from "./useLink";
import { FirstSteps } from "./FirstSteps";
import { Mark } from "./Mark";
import { startOffline } from "@/shell/frame/offline";
import { useKeyboard } from "./useKeyboard";
import styles from "./TopBar.module.css";

const GoOnButton = later(() => import("@/shell/practice/GoOn").then(({ GoOnButton }) => GoOnButton));
const Around = later(() => import("./Around").then(({ Around }) => Around));

/** The bar at the top: the views in the order of the work, the Shelf, Find and Keys. */
export function TopBar() {
  const { view: front } = useStore($place);
  const features = useStore($features);
  // Only the links need what is selected: they can wait until the change is on the screen.
  useAfterPaint(useStore($selection));
  const saved = useStore(shelf.$saved);
  const isAlive = useStore($alive).has("view");
  const hasPlayed = useStore($hasPlayed);
  const setOpen = (sheet: Sheet) => $sheet.set(sheet);
  const isDark = useTheme();
  const unsaved = useStore(shelf.$unsaved);
  const count = countStored(saved, unsaved);

  useEffect(() => {
    void start().then(startOffline);
  }, []);
  const link = useLink();
  const isNarrow = useNarrow();
  useKeyboard();
  const flipTheme = () => changeSettings({ theme: isDark ? "light" : "dark" });
  useKeys("Everywhere", [
    ...features.map(({ id, name }, at) => ({
      key: String(at + 1),
      says: `Go to ${name}`,
      act: () => goTo(id),
    })),
    { key: "/", says: "Find a mode or something saved", act: () => setOpen("find") },
    { key: "h", says: "Open the Shelf", act: () => setOpen("shelf") },
    { key: "t", says: "Light or dark", act: flipTheme },
    { key: "i", says: "Settings", act: () => setOpen("settings") },
    { key: "?", says: "Help: keys, legend, words", act: () => setOpen("help") },
    { key: "L", says: "Copy a link to what you see", act: link.copy },
    { key: "Ctrl+z", says: "Undo", act: () => undoable()?.undo() },
    { key: "Ctrl+Shift+z", says: "Redo", act: () => undoable()?.redo() },
  ]);

  const follow = (view: string) => (event: MouseEvent) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    goTo(view);
  };
  const rest = (
    <>
      <button type="button" onClick={flipTheme}>
        {isDark ? "Light" : "Dark"}
      </button>
      <button type="button" onClick={() => setOpen("settings")}>
        Settings
      </button>
      <button type="button" onClick={() => setOpen("help")}>
        Help <kbd>?</kbd>
      </button>
    </>
  );

  return (
    <>
      <header className={styles.bar}>
        <a
          className={styles.name}
          href={addressOf({ ...currentPlace(), view: features[0]?.id ?? "" })}
          onClick={follow(features[0]?.id ?? "")}
        >
          <Mark />
          <span>Shade</span>
        </a>
        <nav aria-label="Views" className={styles.nav}>
          <ul className={styles.views}>
            {features.map(({ id, name }) => (
              <li key={id}>
                <a
                  className={styles.view}
                  href={addressOf({ ...currentPlace(), view: id })}
                  aria-current={front === id ? "page" : undefined}
                  onClick={follow(id)}
                >
                  {name}
                </a>
              </li>
            ))}
          </ul>
        </nav>
        <div className={styles.tools}>
          {isAlive && hasPlayed && !isNarrow && (
            <Boundary what="Go on">
              <Waiting fallback={null}>
                <GoOnButton />
              </Waiting>
            </Boundary>
          )}
          <button type="button" onClick={() => setOpen("shelf")}>
            Shelf <span className={styles.count}>{figureText(count)}</span>
          </button>
          <button type="button" onClick={() => setOpen("find")}>
            Find <kbd>/</kbd>
          </button>
          <button type="button" aria-label={link.isCopied ? "Copied" : "Copy link"} onClick={link.copy}>
            {link.isCopied ? "Copied" : isNarrow ? "Link" : "Copy link"}
          </button>
          {isNarrow ? (
            <Popover label="Menu">
              <div className={styles.menu}>{rest}</div>
            </Popover>
          ) : (
            rest
          )}
        </div>
      </header>
      <FirstSteps />
      {isAlive && (
        <Boundary what="Shelf, Find, Settings and Help">
          <Waiting fallback={null}>
            <Around link={link} />
          </Waiting>
        </Boundary>
      )}
    </>
  );
}

/** Follows the theme that is set, or the system's; answers whether it is dark. */
function useTheme(): boolean {
  const { theme } = useStore($settings);
  const [systemDark, setSystemDark] = useState(
    () => window.matchMedia("(prefers-color-scheme: dark)").matches,
  );
  useEffect(() => {
    const query = window.matchMedia("(prefers-color-scheme: dark)");
    const listen = () => setSystemDark(query.matches);
    query.addEventListener("change", listen);
    return () => query.removeEventListener("change", listen);
  }, []);
  const isDark = theme === "system" ? systemDark : theme === "dark";
  useEffect(() => {
    document.documentElement.dataset.theme = isDark ? "dark" : "light";
  }, [isDark]);
  return isDark;
}

/** What is undone in the part of the view that is in front. */
function undoable() {
  const { view } = $place.get();
  const front = $features.get().find(({ id }) => id === view);
  return front?.undoes?.(placeOf(view).part);
}
