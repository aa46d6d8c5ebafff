import { saveFile } from "@/kit/files";
import { withPart } from "@/session";

/** Saves everything as a file. */
export const saveBackup = (): void =>
  void withPart(
    "The export",
    () => import("@/session/shelf/backup"),
    async ({ exportAll }) =>
      saveFile(`shade-${new Date().toISOString().slice(0, 10)}.json`, await exportAll(), "application/json"),
  );
