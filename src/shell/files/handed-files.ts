import { openFiles, whenReady } from "@/session";

/** Where the service worker puts files down that another program shares. */
const SHARED = "shade-shared";

/** What the system hands over when a file is opened with the installed application. */
interface LaunchQueue {
  readonly setConsumer: (
    take: (launch: { readonly files: readonly { readonly getFile: () => Promise<File> }[] }) => void,
  ) => void;
}

/** Opens what another program shares with the application, and files that the system opens with it. */
export function takeHandedFiles(): void {
  if (new URL(window.location.href).searchParams.has("shared") && "caches" in window) void takeShared();
  const { launchQueue } = window as { launchQueue?: LaunchQueue };
  launchQueue?.setConsumer(({ files }) => {
    if (files.length > 0)
      void Promise.all(files.map((file) => file.getFile())).then((all) =>
        whenReady(() => void openFiles(all)),
      );
  });
}

async function takeShared(): Promise<void> {
  const cache = await caches.open(SHARED);
  const files: File[] = [];
  for (const request of await cache.keys()) {
    const kept = await cache.match(request);
    await cache.delete(request);
    if (!kept) continue;
    const name = decodeURIComponent(kept.headers.get("x-name") ?? "shared");
    files.push(new File([await kept.blob()], name, { type: kept.headers.get("content-type") ?? "" }));
  }
  if (files.length > 0) whenReady(() => void openFiles(files));
}
