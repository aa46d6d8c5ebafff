/** Files of music past this are not opened here. */
export const MOST_FILE_BYTES = 4_000_000;

/** Gives the user a file to save: the browser's own download. */
export function saveFile(name: string, content: BlobPart, type: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** A file before it is saved. */
export interface MadeFile {
  readonly name: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly type: string;
}

/**
 * Gives the user one file as it is, several in one archive: browsers let a page save no more than one at a press. The
 * library is loaded when it is first needed.
 */
export async function saveFiles(name: string, files: readonly MadeFile[]): Promise<void> {
  const [only] = files;
  if (!only) return;
  if (files.length === 1) {
    saveFile(only.name, only.bytes, only.type);
    return;
  }
  const { zipSync } = await import("fflate");
  const archive = zipSync(Object.fromEntries(files.map((file) => [file.name, file.bytes])), { level: 6 });
  saveFile(`${name}.zip`, new Uint8Array(archive), "application/zip");
}
