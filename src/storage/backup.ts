import { z } from "zod";
import { type Kept, kept, type Settings, settings } from "./records";

/** The one file that everything goes into. */
export interface Backup {
  readonly format: "shade-backup";
  readonly version: 1;
  readonly shelf: readonly Kept[];
  readonly settings: Settings;
  /** Records that could not be read, as they were found. */
  readonly quarantine: readonly unknown[];
}

/** Why a backup, or a record in it, was not taken. */
export interface BackupProblem {
  readonly code: "not-json" | "not-a-backup" | "newer-version" | "record-unread";
  /** Place in the list of records, from 1, where it is a record. */
  readonly record?: number;
  readonly found: string;
}

const envelope = z.object({
  format: z.literal("shade-backup"),
  version: z.number(),
  shelf: z.array(z.unknown()).max(100_000),
  settings: z.unknown(),
  quarantine: z.array(z.unknown()).catch([]),
});

/** Writes the backup as text: one record an entry, in order of id, its fields in the schema's order, so that equal contents give equal files. */
export function writeBackup(
  shelf: readonly Kept[],
  settingsNow: Settings,
  quarantine: readonly unknown[],
): string {
  const ordered = shelf.map((thing) => kept.parse(thing)).sort((a, b) => (a.id < b.id ? -1 : 1));
  const backup: Backup = {
    format: "shade-backup",
    version: 1,
    shelf: ordered,
    settings: settingsNow,
    quarantine,
  };
  return `${JSON.stringify(backup, null, 1)}\n`;
}

/**
 * Reads a backup. Never throws: records that cannot be read are named and kept in `quarantine`, the rest come through;
 * text that is no backup at all gives nothing and says why.
 */
export function readBackup(text: string): { value: Backup | undefined; problems: readonly BackupProblem[] } {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { value: undefined, problems: [{ code: "not-json", found: text.slice(0, 40) }] };
  }
  const outer = envelope.safeParse(json);
  if (!outer.success)
    return { value: undefined, problems: [{ code: "not-a-backup", found: text.slice(0, 40) }] };
  if (outer.data.version !== 1) {
    return { value: undefined, problems: [{ code: "newer-version", found: String(outer.data.version) }] };
  }
  const problems: BackupProblem[] = [];
  const quarantine = [...outer.data.quarantine];
  const shelf = outer.data.shelf.flatMap((record, at) => {
    const read = kept.safeParse(record);
    if (read.success) return [read.data];
    problems.push({ code: "record-unread", record: at + 1, found: JSON.stringify(record).slice(0, 80) });
    quarantine.push(record);
    return [];
  });
  return {
    value: {
      format: "shade-backup",
      version: 1,
      shelf,
      settings: settings.parse(outer.data.settings ?? {}),
      quarantine,
    },
    problems,
  };
}
