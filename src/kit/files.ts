/** Files of music past this are not opened here. */
export const MAX_FILE_BYTES = 4_000_000;

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

/** The files of what was dropped, those in folders too. Files that are hidden are passed over. */
export async function droppedFiles(transfer: DataTransfer): Promise<readonly File[]> {
  // Entries are only there while the drop is handled, so that they are all taken before anything is waited for.
  const entries = [...transfer.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  if (entries.every(({ isFile }) => isFile)) return [...transfer.files];
  const found = await Promise.all(entries.map(filesUnder));
  return found.flat().filter(({ name }) => !name.startsWith("."));
}

async function filesUnder(entry: FileSystemEntry): Promise<readonly File[]> {
  if (entry.isFile)
    return [
      await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject)),
    ];
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const all: File[] = [];
  // A folder hands out its entries a hundred at a time.
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) =>
      reader.readEntries(resolve, reject),
    );
    if (some.length === 0) return all;
    for (const each of some) all.push(...(await filesUnder(each)));
  }
}
