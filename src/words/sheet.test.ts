import { expect, test } from "vitest";
import { barSpansText } from "./sheet";

test.each([
  [[3], "bar 3"],
  [[1, 2], "bars 1 and 2"],
  [[1, 2, 3, 4], "bars 1 to 4"],
  [[4, 3, 9, 1, 2, 2], "bars 1 to 4 and 9"],
  [[1, 2, 3, 7, 8, 9], "bars 1 to 3 and 7 to 9"],
])("bars %j are %s", (bars, text) => expect(barSpansText(bars)).toBe(text));
