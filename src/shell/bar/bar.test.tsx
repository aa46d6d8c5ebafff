// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeAll, describe, expect, it, vi } from "vitest";
import { standInForDialogs } from "../../../tests/fixtures/dialogs";
import { shown } from "../../../tests/fixtures/shown";
import { printName } from "@/core/pitch";
import { mode } from "@/core/scale";
import { $place, $settings, bindKeys, changeSettings, setOwnWords, setPlace } from "@/session";
import { useWording } from "@/session/settings/useConventions";
import { homeModeText } from "@/words";
import { FindDialog } from "./FindDialog";
import { SettingsDialog } from "./SettingsDialog";
import { useKeyboard } from "./useKeyboard";

beforeAll(standInForDialogs);
afterEach(cleanup);

describe("keys", () => {
  const Page = () => {
    useKeyboard();
    return null;
  };

  it("pressed right after a sheet is closed are the page’s, though the focus is still inside", () => {
    render(<Page />);
    const sheet = document.body.appendChild(document.createElement("dialog"));
    const field = sheet.appendChild(document.createElement("input"));
    const act = vi.fn();
    bindKeys("test", [{ key: "?", says: "help", act }]);
    sheet.open = true;
    fireEvent.keyDown(field, { key: "?" });
    expect(act).not.toHaveBeenCalled();
    sheet.open = false;
    fireEvent.keyDown(field, { key: "?" });
    expect(act).toHaveBeenCalledOnce();
    bindKeys("test", []);
    sheet.remove();
  });
});

describe("settings", () => {
  const Title = () => <output key={useWording()}>{homeModeText({ home: 5, mode: mode("aeolian") })}</output>;

  it("change every name on the page at once", async () => {
    await shown(
      <>
        <SettingsDialog open onClose={() => undefined} />
        <Title />
      </>,
    );
    const title = () => screen.getByRole("status").textContent;
    expect(title()).toBe("B Aeolian");
    fireEvent.click(screen.getByLabelText("German, H and B"));
    expect(title()).toBe("H Aeolian");
    fireEvent.click(screen.getByLabelText("major and natural minor"));
    expect(title()).toBe("H natural minor");
    fireEvent.click(screen.getByLabelText("Do Ré Mi"));
    expect(title()).toBe("Si natural minor");
    fireEvent.change(screen.getByLabelText("Solfège"), { target: { value: "numbers" } });
    expect($settings.get().syllables).toBe("numbers");
    changeSettings({ noteNames: "english", majorNames: "modes", syllables: "home" });
  });
});

describe("finding", () => {
  const find = async (text: string) => {
    const close = vi.fn();
    await shown(<FindDialog open onClose={close} />);
    fireEvent.change(screen.getByLabelText("What to find"), { target: { value: text } });
    return {
      close,
      found: () =>
        screen
          .getAllByRole("button")
          .slice(1)
          .map(({ textContent }) => textContent),
    };
  };

  it("by degrees gives the set itself, then scales that hold it, each with how many notes more", async () => {
    setPlace({ home: 7 });
    const { found } = await find("1 b3 4 5 b7");
    expect(found().slice(0, 3)).toEqual([
      "C♯ minor pentatonicDerive · just these notes",
      "C♯ minor bluesDerive · one note more",
      "C♯ Aeolian without 6Derive · one note more",
    ]);
  });

  it("by notes goes where Enter says, in the note names that are set", async () => {
    changeSettings({ noteNames: "german" });
    const { close } = await find("H Cis D E Fis Gis A");
    fireEvent.submit(screen.getByLabelText("What to find"));
    expect([printName($place.get().home), $place.get().mode.id]).toEqual(["B", "dorian"]);
    expect(close).toHaveBeenCalledTimes(1);
    changeSettings({ noteNames: "english" });
  });

  it("shows the user’s own words beside a mode, and says when nothing goes by a name", async () => {
    setOwnWords(mode("locrian"), "Broken spring", "");
    const { found } = await find("locrian");
    expect(found()[0]).toContain("Broken spring");
    setOwnWords(mode("locrian"), "", "");
    fireEvent.change(screen.getByLabelText("What to find"), { target: { value: "qqq" } });
    expect(screen.getByText(/Nothing found for “qqq”/)).toBeTruthy();
  });
});
