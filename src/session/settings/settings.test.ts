// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { describe, expect, it } from "vitest";
import { SAFE_VOLUME } from "@/audio";
import { $settings, changeSettings, saving } from "..";
import { loadSettings } from "./settings";
import { patiently } from "../../../tests/fixtures/patiently";

const KEY = "shade-settings:unsaved";
const settled = () => patiently(() => expect(saving.$state.get().waiting.size).toBe(0));

describe("settings of a tab that was closed at once", () => {
  it("stand where the next tab finds them, until they are written", async () => {
    changeSettings({ tempo: 123 });
    expect(JSON.parse(localStorage.getItem(KEY) ?? "")).toEqual({ tempo: 123 });
    await settled();
    expect(localStorage.getItem(KEY)).toBeNull();
  });

  it("come in, apart from how loud it was and what is no setting, and are written then", async () => {
    localStorage.setItem(KEY, JSON.stringify({ tempo: 77, volume: 0, nonsense: true, capo: "many" }));
    await loadSettings();
    expect($settings.get()).toMatchObject({ tempo: 77, volume: SAFE_VOLUME, capo: 0 });
    expect($settings.get()).not.toHaveProperty("nonsense");
    await settled();
    expect(localStorage.getItem(KEY)).toBeNull();
    await loadSettings();
    expect($settings.get().tempo).toBe(77);
  });

  it.each(["{broken", "null", "[1]", '"text"'])("that are %s change nothing", async (text) => {
    localStorage.setItem(KEY, text);
    await loadSettings();
    expect($settings.get().tempo).toBe(77);
    localStorage.removeItem(KEY);
  });
});
