import { atom } from "nanostores";
import { saving } from "../records/records";

/** What the browser says of the room that it gives. */
export interface Room {
  /** Bytes in use, and how many there may be; undefined where it doesn't say. */
  readonly used?: number | undefined;
  readonly most?: number | undefined;
  /** The browser won't clear it by itself when it is short of room. */
  readonly isKept: boolean;
}

export const $room = atom<Room | undefined>();

/** Asks the browser how much room is in use. */
export async function measureRoom(): Promise<void> {
  const storage = (navigator as Partial<Navigator>).storage;
  if (!storage) return;
  const [isKept, { usage, quota }] = await Promise.all([storage.persisted(), storage.estimate()]);
  $room.set({ isKept, used: usage, most: quota });
}

/** Once something is saved, the browser is asked to keep it, whatever else it has to clear. */
export function keepWhatIsSaved(): void {
  let isAsked = false;
  saving.$state.listen(({ waiting, failing }, before) => {
    if (isAsked || waiting.size > 0 || failing.size > 0 || (before?.waiting.size ?? 0) === 0) return;
    isAsked = true;
    const storage = (navigator as Partial<Navigator>).storage;
    void storage
      ?.persist()
      .then(measureRoom)
      .catch(() => undefined);
  });
}
