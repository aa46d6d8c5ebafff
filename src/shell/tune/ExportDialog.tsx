import { useState } from "react";
import type { Tune } from "@/core/tune";
import { writeAbc, writeTuneMidi, writeTuneXml, writeWav } from "@/formats";
import { PARTS, render, wholeScore } from "@/audio";
import { $partSounds, $settings, arranged } from "@/session";
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
  { value: "wav", text: "WAV" },
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
    case "wav":
      return ["wav", await writeWav(await heardOnce(tune)), "audio/wav"];
  }
}

/** A recording is no longer than this, in seconds. */
const MAX_SECONDS = 600;

/** The tune as it is played through once, at the tempo, with the instruments and volumes that are set. */
function heardOnce(tune: Tune) {
  const { tempo, parts: volumes } = $settings.get();
  const score = arranged(wholeScore(tune));
  return render({
    playing: { tempo: () => tempo, before: undefined, round: (nth) => (nth === 0 ? score : undefined) },
    seconds: Math.min(MAX_SECONDS, (score.beats * 60) / tempo),
    parts: PARTS.filter((part) => part !== "click"),
    volumes,
    sounds: $partSounds.get(),
  });
}

/** The selected tune as a file. */
export function ExportDialog({ open, onClose, tune, title }: ExportDialogProps) {
  const [kind, setKind] = useState<Kind>("abc");
  const [isBusy, setBusy] = useState(false);
  const exportTune = async () => {
    setBusy(true);
    try {
      const [ending, content, type] = await fileOf({ ...tune, title }, kind);
      saveFile(`${title || "tune"}.${ending}`, content, type);
      onClose();
    } finally {
      setBusy(false);
    }
  };
  return (
    <Dialog title="Export the tune" says={EXPORT_SAYS} open={open} onClose={onClose}>
      <Setting name="Format">
        <Choice label="Kind of file" value={kind} onChange={setKind} options={KINDS} />
      </Setting>
      <div>
        <Button kind="main" disabled={isBusy} onClick={() => void exportTune()}>
          {isBusy ? "Recording …" : "Export"}
        </Button>
      </div>
    </Dialog>
  );
}
