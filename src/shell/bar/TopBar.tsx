import { useStore } from "@nanostores/react";
import { type MouseEvent, useEffect, useLayoutEffect, useState } from "react";
import {
  $bindings,
  $toSave,
  $place,
  $settings,
  bindingFor,
  changeSettings,
  type Focused,
  goTo,
  shelf,
  start,
  type View,
  VIEWS,
  writeAddress,
} from "@/session";
import { useKeys } from "@/session/useKeys";
import { useAfterPaint } from "@/kit/useAfterPaint";
import { SaveDialog, ShelfDialog } from "@/shell/shelf";
import { capital } from "@/words";
import { FindDialog } from "./FindDialog";
import { KeysDialog } from "./KeysDialog";
import { Mark } from "./Mark";
import { Notices } from "./Notices";
import { SettingsDialog } from "./SettingsDialog";
import styles from "./TopBar.module.css";

type Open = "shelf" | "find" | "settings" | "keys" | undefined;

/** The bar at the top: the views in the order of the work, the Shelf, Find and Keys. */
export function TopBar() {
  // Only the links need the place: they can wait until the change is on the screen.
  const place = useAfterPaint(useStore($place));
  const kept = useStore(shelf.$saved);
  const keeping = useStore($toSave);
  const [open, setOpen] = useState<Open>();
  const isDusk = useTheme();
  const unsaved = useStore(shelf.$unsaved);
  // Only what storage has taken is counted.
  const count = kept.filter(({ id, deletedAt }) => deletedAt === undefined && !unsaved.has(id)).length;

  useEffect(() => void start(), []);
  useKeyboard();
  const flipTheme = () => changeSettings({ theme: isDusk ? "day" : "dusk" });
  useKeys("bar", [
    ...VIEWS.map((view, at) => ({
      key: String(at + 1),
      says: `Go to ${capital(view)}`,
      act: () => goTo(view),
    })),
    { key: "/", says: "Find a mode or something kept", act: () => setOpen("find") },
    { key: "h", says: "Open the Shelf", act: () => setOpen("shelf") },
    { key: "t", says: "Day or dusk", act: flipTheme },
    { key: "i", says: "Settings", act: () => setOpen("settings") },
    { key: "?", says: "List the keys", act: () => setOpen("keys") },
  ]);

  const follow = (view: View) => (event: MouseEvent) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    goTo(view);
  };
  const close = () => setOpen(undefined);

  return (
    <>
      <header className={styles.bar}>
        <a
          className={styles.name}
          href={writeAddress({ ...place, view: "derive" })}
          onClick={follow("derive")}
        >
          <Mark />
          <span>Shade</span>
        </a>
        <nav aria-label="Views">
          <ul className={styles.views}>
            {VIEWS.map((view) => (
              <li key={view}>
                <a
                  className={styles.view}
                  href={writeAddress({ ...place, view })}
                  aria-current={place.view === view ? "page" : undefined}
                  onClick={follow(view)}
                >
                  {capital(view)}
                </a>
              </li>
            ))}
          </ul>
        </nav>
        <div className={styles.tools}>
          <button type="button" onClick={flipTheme}>
            {isDusk ? "Day" : "Dusk"}
          </button>
          <button type="button" onClick={() => setOpen("shelf")}>
            Shelf <span className={styles.count}>{count}</span>
          </button>
          <button type="button" onClick={() => setOpen("find")}>
            Find <kbd>/</kbd>
          </button>
          <button type="button" onClick={() => setOpen("settings")}>
            Settings
          </button>
          <button type="button" onClick={() => setOpen("keys")}>
            Keys <kbd>?</kbd>
          </button>
        </div>
      </header>
      <Notices />
      <ShelfDialog open={open === "shelf"} onClose={close} />
      <FindDialog open={open === "find"} onClose={close} />
      <SettingsDialog open={open === "settings"} onClose={close} />
      <KeysDialog open={open === "keys"} onClose={close} />
      <SaveDialog thing={keeping} onClose={() => $toSave.set(undefined)} />
    </>
  );
}

/** Follows the theme that is set, or the system's; answers whether it is dusk. */
function useTheme(): boolean {
  const { theme } = useStore($settings);
  const [systemDusk, setSystemDusk] = useState(
    () => window.matchMedia("(prefers-color-scheme: dark)").matches,
  );
  useEffect(() => {
    const query = window.matchMedia("(prefers-color-scheme: dark)");
    const listen = () => setSystemDusk(query.matches);
    query.addEventListener("change", listen);
    return () => query.removeEventListener("change", listen);
  }, []);
  const isDusk = theme === "system" ? systemDusk : theme === "dusk";
  useEffect(() => {
    document.documentElement.dataset.theme = isDusk ? "dusk" : "day";
  }, [isDusk]);
  return isDusk;
}

/** One listener for all keys of the page, there as soon as the bar is. */
function useKeyboard(): void {
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      // An editor stands in a shadow tree: what was pressed in is the first of the path.
      const [first] = event.composedPath();
      const target = first instanceof HTMLElement ? first : document.body;
      const binding = bindingFor(event, focusOn(target), $bindings.get());
      if (!binding) return;
      event.preventDefault();
      binding.act();
    };
    document.addEventListener("keydown", listen);
    return () => document.removeEventListener("keydown", listen);
  }, []);
}

/** What has the focus takes some keys itself: text and lists all of them, radio buttons and sliders those that move them. */
function focusOn(target: HTMLElement): Focused {
  const type = target instanceof HTMLInputElement ? target.type : undefined;
  const isMoved = type === "radio" || type === "range";
  const isField = type !== undefined && type !== "checkbox" && !isMoved;
  return {
    tag: target.tagName,
    isTyping:
      isField ||
      target instanceof HTMLTextAreaElement ||
      target instanceof HTMLSelectElement ||
      target.isContentEditable,
    isMoved,
    isInDialog: document.querySelector("dialog[open]") !== null,
  };
}
