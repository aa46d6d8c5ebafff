import { useState } from "react";
import type { Tune } from "@/core/tune";
import { writeAbc, writeTuneMidi, writeTuneXml } from "@/formats";
import { $settings } from "@/session";
import { Button, Choice } from "@/kit/controls";
import { Dialog, Setting } from "@/kit/dialog";
import { saveFile } from "@/kit/files";
import { EXPORT_SAYS } from "@/words";

interface ExportDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly tune: Tune;
  readonly title: string;
}

const KINDS = [
  { value: "abc", text: "ABC" },
  { value: "musicxml", text: "MusicXML" },
  { value: "midi", text: "MIDI" },
] as const;
type Kind = (typeof KINDS)[number]["value"];

/** A tune as a file of one kind: its ending, content and media type. */
async function fileOf(
  tune: Tune,
  kind: Kind,
): Promise<readonly [ending: string, content: BlobPart, type: string]> {
  switch (kind) {
    case "abc":
      return ["abc", writeAbc(tune).text, "text/vnd.abc"];
    case "musicxml":
      return ["musicxml", await writeTuneXml(tune), "application/vnd.recordare.musicxml+xml"];
    case "midi":
      return ["mid", await writeTuneMidi(tune, $settings.get().tempo), "audio/midi"];
  }
}

/** The selected tune as a file. */
export function ExportDialog({ open, onClose, tune, title }: ExportDialogProps) {
  const [kind, setKind] = useState<Kind>("abc");
  const exportTune = async () => {
    const [ending, content, type] = await fileOf({ ...tune, title }, kind);
    saveFile(`${title || "tune"}.${ending}`, content, type);
    onClose();
  };
  return (
    <Dialog title="Export the tune" says={EXPORT_SAYS} open={open} onClose={onClose}>
      <Setting name="Format">
        <Choice label="Kind of file" value={kind} onChange={setKind} options={KINDS} />
      </Setting>
      <div>
        <Button kind="main" onClick={() => void exportTune()}>
          Export
        </Button>
      </div>
    </Dialog>
  );
}
