import { laterDialog } from "@/kit/later";

/** A tune as a file of one kind. */
export const ExportDialog = laterDialog("Export", () =>
  import("./ExportDialog").then(({ ExportDialog }) => ExportDialog),
);

/** Music as it is printed. */
export const MusicSheet = laterDialog("Print", () =>
  import("./MusicSheet").then(({ MusicSheet }) => MusicSheet),
);
