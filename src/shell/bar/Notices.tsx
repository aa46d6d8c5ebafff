import { useStore } from "@nanostores/react";
import { useEffect, useState } from "react";
import {
  $addressNotices,
  $awaiting,
  $copies,
  $reading,
  $stageBefore,
  $storage,
  $unfetched,
  $unopened,
  aside,
  saving,
  setStageBack,
} from "@/session";
import { saveBackup } from "@/shell/shelf";
import { Button } from "@/kit/controls";
import {
  AWAITING,
  NEW_VERSION,
  noticeText,
  readingText,
  unsavedText,
  STORAGE_SILENT,
  STAGE_CHANGED,
  COMPUTATION_FAILED,
  partFailedText,
  unopenedText,
  copySavedText,
  unreadRecordsText,
} from "@/words";
import { $jobFailed } from "@/workers";
import { $newVersion, takeNewVersion } from "@/shell/frame/offline";
import styles from "./TopBar.module.css";

/** What the user has to know of: what an address asked for in vain, what two tabs changed at once, what storage refuses. */
export function Notices() {
  const addresses = useStore($addressNotices);
  const copies = useStore($copies);
  const stageBefore = useStore($stageBefore);
  const unopened = useStore($unopened);
  const unfetched = useStore($unfetched);
  const { failing } = useStore(saving.$state);
  const isSilent = useLasting(useStore($storage) === "silent");
  const jobFailed = useStore($jobFailed);
  const reading = useStore($reading);
  const awaiting = useStore($awaiting);
  const isNewer = useStore($newVersion);
  const count = useStore(aside.$new);
  const [seen, setSeen] = useState(0);
  const isDismissable =
    addresses.length > 0 ||
    copies.length > 0 ||
    count > seen ||
    jobFailed ||
    stageBefore !== undefined ||
    unopened !== undefined ||
    unfetched !== undefined;
  const isFailing = failing.size > 0 || isSilent;
  useWarning(failing.size > 0);
  if (!isDismissable && !isFailing && !reading && !awaiting && !isNewer) return null;
  return (
    <div className={styles.notices} role="status">
      {reading && (
        <p>
          {readingText(reading.name)} <Button onClick={reading.cancel}>Cancel</Button>
        </p>
      )}
      {awaiting && (
        <p>
          {AWAITING} <Button onClick={awaiting.cancel}>Cancel</Button>
        </p>
      )}
      {isNewer && (
        <p>
          {NEW_VERSION} <Button onClick={takeNewVersion}>Use it now</Button>
        </p>
      )}
      {isSilent && <p>{STORAGE_SILENT}</p>}
      {failing.size > 0 && (
        <p>
          {unsavedText(failing.size)} <Button onClick={saveBackup}>Export now</Button>
        </p>
      )}
      {addresses.map((notice) => (
        <p key={notice.code}>{noticeText(notice)}</p>
      ))}
      {stageBefore && (
        <p>
          {STAGE_CHANGED} <Button onClick={setStageBack}>Back to mine</Button>
        </p>
      )}
      {unopened !== undefined && <p>{unopenedText(unopened)}</p>}
      {unfetched !== undefined && <p>{partFailedText(unfetched, true)}</p>}
      {copies.map((title, at) => (
        <p key={at}>{copySavedText(title)}</p>
      ))}
      {jobFailed && <p>{COMPUTATION_FAILED}</p>}
      {count > seen && <p>{unreadRecordsText(count - seen)}</p>}
      {isDismissable && (
        <button
          type="button"
          onClick={() => {
            $addressNotices.set([]);
            $copies.set([]);
            $stageBefore.set(undefined);
            $unopened.set(undefined);
            $unfetched.set(undefined);
            $jobFailed.set(false);
            setSeen(count);
          }}
        >
          Dismiss
        </button>
      )}
    </div>
  );
}

/** Milliseconds that something must last before it is said: a slow machine is no silent storage. */
const LASTING = 2_000;

/** Whether something has been so for a while. */
function useLasting(isSo: boolean): boolean {
  const [hasLasted, setHasLasted] = useState(false);
  useEffect(() => {
    if (!isSo) return undefined;
    const timer = setTimeout(() => setHasLasted(true), LASTING);
    return () => {
      clearTimeout(timer);
      setHasLasted(false);
    };
  }, [isSo]);
  return isSo && hasLasted;
}

/** While something isn't saved, the browser asks before it closes the page. */
function useWarning(isUnsaved: boolean): void {
  useEffect(() => {
    if (!isUnsaved) return undefined;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [isUnsaved]);
}
