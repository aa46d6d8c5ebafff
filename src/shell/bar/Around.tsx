import { useStore } from "@nanostores/react";
import { useEffect } from "react";
import { $sheet, $toSave, comesAlive, type Sheet } from "@/session";
import { takeHandedFiles } from "@/shell/files/handed-files";
import { DropTarget } from "@/shell/files";
import { SaveDialog, ShelfDialog } from "@/shell/shelf";
import { Announcer } from "./Announcer";
import { FindDialog } from "./FindDialog";
import { HelpDialog } from "./HelpDialog";
import { LinkDialog } from "./LinkDialog";
import { Notices } from "./Notices";
import { SettingsDialog } from "./SettingsDialog";
import type { useLink } from "./useLink";

/** What stands around every view once that has come to life: notices, the sheets over it, and files that are dropped or handed over. */
export function Around({ link }: { readonly link: ReturnType<typeof useLink> }) {
  const saving = useStore($toSave);
  const open = useStore($sheet);
  // The browser says that a sheet was closed when the next may be open already.
  const close = (sheet: Sheet) => () => {
    if ($sheet.get() === sheet) $sheet.set(undefined);
  };
  useEffect(() => {
    comesAlive("sheets");
    takeHandedFiles();
  }, []);
  return (
    <>
      <Announcer />
      <Notices />
      <DropTarget />
      <ShelfDialog open={open === "shelf"} onClose={close("shelf")} />
      <FindDialog open={open === "find"} onClose={close("find")} />
      <SettingsDialog open={open === "settings"} onClose={close("settings")} />
      <LinkDialog link={link} />
      <HelpDialog open={open === "help"} onClose={close("help")} />
      <SaveDialog thing={saving} onClose={() => $toSave.set(undefined)} />
    </>
  );
}
