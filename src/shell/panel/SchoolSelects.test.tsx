// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { fireEvent, render, screen } from "@testing-library/react";
import { expect, it } from "vitest";
import { $settings, changeSettings } from "@/session";
import { ComparisonSelect, ReferenceSelect } from ".";

it("what modes are compared with is chosen in place and holds everywhere", () => {
  render(
    <>
      <ReferenceSelect />
      <ComparisonSelect />
    </>,
  );
  fireEvent.change(screen.getByLabelText("Reference scale"), { target: { value: "nearest" } });
  fireEvent.change(screen.getByLabelText("Compared with"), { target: { value: "seven" } });
  expect([$settings.get().reference, $settings.get().comparison]).toEqual(["nearest", "seven"]);
  changeSettings({ reference: "by-third", comparison: "usual" });
});
