import { readdirSync } from "node:fs";
import { expect, it } from "vitest";
import { $features } from "@/session";
import "./index";
import { VIEWS } from "./views";

it("every folder of a view stands in the list, and every view of the list has its folder", () => {
  const folders = readdirSync(import.meta.dirname, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name);
  expect(VIEWS.map(({ id }) => id).toSorted()).toEqual(folders.toSorted());
  expect($features.get().map(({ id }) => id)).toEqual(VIEWS.map(({ id }) => id));
});
