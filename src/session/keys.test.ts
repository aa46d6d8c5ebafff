import { describe, expect, it, test } from "vitest";
import { $bindings, bindingFor, bindKeys } from "./keys";

const bindings = new Map([
  [
    "view",
    [
      { key: " ", says: "play", act: () => undefined },
      { key: "d", says: "home D", act: () => undefined },
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
const body = { tag: "BODY", isTyping: false, isMoved: false, isInDialog: false };

describe("keys", () => {
  test.each([
    ["d on the page", press("d"), body, "home D"],
    ["space on the page", press(" "), body, "play"],
    ["space on a button", press(" "), { ...body, tag: "BUTTON" }, undefined],
    ["d on a button", press("d"), { ...body, tag: "BUTTON" }, "home D"],
    ["d on a slider", press("d"), { ...body, tag: "INPUT", isMoved: true }, "home D"],
    ["space on a radio button", press(" "), { ...body, tag: "INPUT", isMoved: true }, "play"],
    ["an arrow on the page", press("ArrowUp"), body, "up"],
    ["an arrow on a slider", press("ArrowUp"), { ...body, tag: "INPUT", isMoved: true }, undefined],
    ["d while typing", press("d"), { ...body, tag: "INPUT", isTyping: true }, undefined],
    ["d in a dialog", press("d"), { ...body, isInDialog: true }, undefined],
    ["ctrl d", press("d", true), body, undefined],
    ["ctrl z", press("z", true), body, "undo"],
    ["shift ctrl z", press("Z", true, true), body, "redo"],
    ["ctrl z while typing", press("z", true), { ...body, tag: "INPUT", isTyping: true }, undefined],
    ["z", press("z"), body, undefined],
    ["an unbound key", press("q"), body, undefined],
  ])("%s", (_, pressed, focused, says) => expect(bindingFor(pressed, focused, bindings)?.says).toBe(says));

  it("go with the part of the screen that bound them", () => {
    bindKeys("x", [{ key: "q", says: "q", act: () => undefined }]);
    expect($bindings.get().get("x")).toHaveLength(1);
    bindKeys("x", []);
    expect($bindings.get().has("x")).toBe(false);
  });
});
