import { useEffect, useLayoutEffect } from "react";
import { $bindings, $playing, $settings, bindingFor, type Focused, stop } from "@/session";

/** One listener for all keys of the page, there as soon as the bar is. */
export function useKeyboard(): void {
  useReleased();
  useLayoutEffect(() => {
    /** The button that was pressed with the pointer, for as long as it has the focus. */
    let pressed: EventTarget | null = null;
    const press = ({ target, detail }: MouseEvent) => {
      // A key that presses a button counts no clicks.
      pressed = detail > 0 && target instanceof Element ? target.closest("button") : null;
    };
    const leave = ({ target }: FocusEvent) => {
      if (target === pressed) pressed = null;
    };
    const listen = (event: KeyboardEvent) => {
      // An editor stands in a shadow tree: what was pressed in is the first of the path.
      const [first] = event.composedPath();
      const target = first instanceof HTMLElement && !isClosed(first) ? first : document.body;
      // Escape closes a sheet first.
      if (event.key === "Escape" && document.querySelector("[popover][data-open]")) return;
      // Who pressed a button with the pointer has let go of it: space plays, as ever. Enter presses it again.
      const isLetGo = event.key === " " && target === pressed && target.closest("dialog, [popover]") === null;
      if (isLetGo) target.blur();
      const focused = focusOn(isLetGo ? document.body : target);
      // A sheet that takes a key itself has had it.
      if (focused.isInDialog && event.defaultPrevented) return;
      const { shortcuts } = $settings.get();
      const binding = bindingFor(event, focused, $bindings.get(), shortcuts);
      if (!binding) return;
      event.preventDefault();
      binding.act();
    };
    document.addEventListener("keydown", quieten, true);
    document.addEventListener("keydown", listen);
    document.addEventListener("click", press, true);
    document.addEventListener("focusout", leave);
    return () => {
      document.removeEventListener("keydown", quieten, true);
      document.removeEventListener("keydown", listen);
      document.removeEventListener("click", press, true);
      document.removeEventListener("focusout", leave);
    };
  }, []);
}

/** What stands in a sheet that was just closed: it keeps the focus until the next frame, and takes no key any more. */
const isClosed = (element: HTMLElement): boolean =>
  element.closest("dialog:not([open]), [popover]:not([data-open])") !== null;

/** While anything sounds Escape ends that, in fields and sheets too; pressed again it does what it does there. */
function quieten(event: KeyboardEvent): void {
  if (event.key !== "Escape" || event.isComposing || $playing.get() === undefined) return;
  event.preventDefault();
  event.stopImmediatePropagation();
  stop();
}

/** What the focus is on: fields have all keys, other controls all but combined ones, buttons those that press them. */
function focusOn(target: HTMLElement): Focused {
  const isInDialog = document.querySelector("dialog[open]") !== null;
  if (target instanceof HTMLInputElement) {
    const isWritten = !["radio", "range", "checkbox"].includes(target.type);
    return { on: isWritten ? "text" : "control", isInDialog };
  }
  const isText = target instanceof HTMLTextAreaElement || target.isContentEditable;
  const isButton = ["BUTTON", "A", "SUMMARY"].includes(target.tagName);
  return {
    on: isText ? "text" : target instanceof HTMLSelectElement ? "control" : isButton ? "button" : "nothing",
    isInDialog,
  };
}

/** A radio button or checkbox that was pressed with the pointer gives the focus back, so that the keys of the page go on. */
function useReleased(): void {
  useEffect(() => {
    let isByPointer = false;
    const byPointer = () => (isByPointer = true);
    const byKey = () => (isByPointer = false);
    const release = ({ target }: Event) => {
      const isChosen = target instanceof HTMLInputElement && ["radio", "checkbox"].includes(target.type);
      if (isByPointer && isChosen && target.closest("dialog") === null) target.blur();
    };
    document.addEventListener("pointerdown", byPointer, true);
    document.addEventListener("keydown", byKey, true);
    document.addEventListener("change", release);
    return () => {
      document.removeEventListener("pointerdown", byPointer, true);
      document.removeEventListener("keydown", byKey, true);
      document.removeEventListener("change", release);
    };
  }, []);
}
