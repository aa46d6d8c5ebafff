import { describe, expect, it, test } from "vitest";
import { $bindings, bindingFor, bindKeys, type Focused } from "./keys";

const bindings = new Map([
  [
    "view",
    [
      { key: " ", says: "play", act: () => undefined },
      { key: "d", says: "home D", act: () => undefined },
      { key: "Escape", says: "stop", act: () => undefined },
      { key: "ArrowUp", says: "up", act: () => undefined },
      { key: "Ctrl+z", says: "undo", act: () => undefined },
      { key: "Ctrl+Shift+z", says: "redo", act: () => undefined },
    ],
  ],
]);
const press = (key: string, ctrlKey = false, shiftKey = false) => ({
  key,
  ctrlKey,
  shiftKey,
  altKey: false,
  metaKey: false,
});
const at = (on: Focused["on"], isInDialog = false): Focused => ({ on, isInDialog });
const page = at("nothing");

describe("keys", () => {
  test.each([
    ["d on the page", press("d"), page, "home D"],
    ["space on the page", press(" "), page, "play"],
    ["space on a button", press(" "), at("button"), undefined],
    ["d on a button", press("d"), at("button"), "home D"],
    ["d on a checkbox", press("d"), at("control"), undefined],
    ["space on a checkbox", press(" "), at("control"), undefined],
    ["escape on a checkbox", press("Escape"), at("control"), "stop"],
    ["an arrow on the page", press("ArrowUp"), page, "up"],
    ["an arrow on a slider", press("ArrowUp"), at("control"), undefined],
    ["d while typing", press("d"), at("text"), undefined],
    ["d in a dialog", press("d"), at("nothing", true), undefined],
    ["space in a dialog", press(" "), at("nothing", true), "play"],
    ["space on a button of a dialog", press(" "), at("button", true), undefined],
    ["ctrl d", press("d", true), page, undefined],
    ["ctrl z", press("z", true), page, "undo"],
    ["ctrl z on a checkbox", press("z", true), at("control"), "undo"],
    ["shift ctrl z", press("Z", true, true), page, "redo"],
    ["ctrl z while typing", press("z", true), at("text"), undefined],
    ["z", press("z"), page, undefined],
    ["an unbound key", press("q"), page, undefined],
  ])("%s", (_, pressed, focused, says) => expect(bindingFor(pressed, focused, bindings)?.says).toBe(says));

  it("can be switched off where they are a single character", () => {
    const says = (key: string, isCtrl = false) => bindingFor(press(key, isCtrl), page, bindings, false)?.says;
    expect(["d", " ", "ArrowUp", "Escape"].map((key) => says(key))).toEqual([
      undefined,
      undefined,
      "up",
      "stop",
    ]);
    expect(says("z", true)).toBe("undo");
  });

  it("go with the part of the screen that bound them", () => {
    bindKeys("x", [{ key: "q", says: "q", act: () => undefined }]);
    expect($bindings.get().get("x")).toHaveLength(1);
    bindKeys("x", []);
    expect($bindings.get().has("x")).toBe(false);
  });
});
