import { useEffect, useLayoutEffect } from "react";
import { $bindings, $playing, $settings, bindingFor, type Focused, stop } from "@/session";

/** One listener for all keys of the page, there as soon as the bar is. */
export function useKeyboard(): void {
  useReleased();
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      // An editor stands in a shadow tree: what was pressed in is the first of the path.
      const [first] = event.composedPath();
      const target = first instanceof HTMLElement ? first : document.body;
      // Escape closes a sheet first.
      if (event.key === "Escape" && document.querySelector("[popover][data-open]")) return;
      const focused = focusOn(target);
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
    return () => {
      document.removeEventListener("keydown", quieten, true);
      document.removeEventListener("keydown", listen);
    };
  }, []);
}

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
