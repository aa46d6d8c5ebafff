// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { useAfterPaint } from "./useAfterPaint";

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const frame = () => {
  act(() => {
    vi.advanceTimersByTime(40);
  });
};

it("follows a value once it has been painted, and the last of several only", () => {
  const seen: string[] = [];
  const { rerender } = renderHook(
    ({ value }) => {
      const settled = useAfterPaint(value);
      if (seen.at(-1) !== settled) seen.push(settled);
    },
    { initialProps: { value: "D" } },
  );
  rerender({ value: "E" });
  expect(seen).toEqual(["D"]);
  rerender({ value: "F" });
  frame();
  expect(seen).toEqual(["D", "F"]);
});

it("follows nothing once it is gone", () => {
  const { rerender, unmount, result } = renderHook(({ value }) => useAfterPaint(value), {
    initialProps: { value: "D" },
  });
  rerender({ value: "E" });
  unmount();
  frame();
  expect(result.current).toBe("D");
});
