import { readCsv, readScala } from "@/formats";
import { readBackup } from "@/storage";
import type { FileJobs } from "./messages";

/** Files of everything that isn't music: each crosses as it is and is read here. */
export const fileJobs: FileJobs = {
  backup: async (file) => readBackup(await file.text()),
  table: async (file) => readCsv(await file.text()),
  json: async (file) => parsed(await file.text()),
  scala: async (file) => {
    const text = await file.text();
    return { text, ...readScala(text) };
  },
};

/** What a text says as JSON; undefined where it is none. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
