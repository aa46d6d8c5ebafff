import { readdirSync } from "node:fs";
import { expect, it } from "vitest";
import { FILE_KINDS, type FileKind } from "@/formats/file-kind";
import { $features, taker } from "@/session";
import "./index";
import { VIEWS } from "./views";

it("every folder of a view stands in the list, and every view of the list has its folder", () => {
  const folders = readdirSync(import.meta.dirname, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name);
  expect(VIEWS.map(({ id }) => id).toSorted()).toEqual(folders.toSorted());
  expect($features.get().map(({ id }) => id)).toEqual(VIEWS.map(({ id }) => id));
});

it("every kind of file that Shade knows is opened by a view, or by the Shelf", () => {
  const taken = new Set($features.get().flatMap(({ files }) => files?.kinds ?? []));
  const elsewhere: readonly FileKind[] = ["backup", "unknown"];
  expect(FILE_KINDS.filter((kind) => !taken.has(kind))).toEqual(elsewhere);
});

it("what one view can hand another is taken by one", () => {
  for (const what of ["chords", "tune", "routineItem"] as const) expect(taker(what), what).toBeDefined();
});
