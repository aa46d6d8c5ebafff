import { useStore } from "@nanostores/react";
import { useState } from "react";
import { allNotes } from "@/core/tune";
import { $place, openTune, placeOf, readMusic } from "@/session";
import { openToReshape } from "./reshape-document";
import { useIncoming } from "@/session/place/useIncoming";
import { PartTabs } from "@/shell/frame/PartTabs";
import { MAX_FILE_BYTES } from "@/kit/files";
import { NO_NOTES_IN_FILE } from "@/words";
import view from "@/shell/frame/View.module.css";
import { EmptyShow } from "./EmptyShow";
import { MelodyShow } from "./MelodyShow";
import { ModesShow } from "./ModesShow";
import { $found, $tune } from "./reshaped";
import { RESHAPE } from "./route";
import "./selection";

const PARTS = [
  { value: "melody", text: "Melody and chords", keyName: "m", says: "The tune in another mode" },
  { value: "modes", text: "All modes", keyName: "a", says: "The tune through all modes of its family" },
] as const;

/** Reshape: a tune in another mode with its chords, and the same tune through all modes of its family. */
export function ReshapeView() {
  const place = useStore($place);
  const tune = useStore($tune);
  const found = useStore($found);
  const [refusal, setRefusal] = useState<string>();
  const [where, setWhere] = useState<"staff" | "text">();
  const takeFile = async (file: File) => {
    const read = file.size <= MAX_FILE_BYTES ? (await openTune(file)).value : undefined;
    // What holds no tune is refused, and what was worked on stays in front.
    const hasNotes = read && (await readMusic(read)).value.some((each) => allNotes(each.tune).length > 0);
    setRefusal(hasNotes ? undefined : NO_NOTES_IN_FILE);
    if (read && hasNotes) openToReshape(read);
  };
  useIncoming(RESHAPE, (files) => files[0] && void takeFile(files[0]));
  const tabs = (
    <div className={view.parts}>
      <PartTabs view={RESHAPE} name="Reshape" parts={PARTS} />
    </div>
  );
  const shown = { tabs, refusal };
  const typing = { typing: where, onTyping: setWhere };
  if (!tune || !found)
    return <EmptyShow refusal={refusal} tabs={tabs} isListening={tune !== undefined} {...typing} />;
  return placeOf(RESHAPE, place).part === "modes" ? (
    <ModesShow {...shown} tune={tune} found={found} />
  ) : (
    <MelodyShow {...shown} {...typing} tune={tune} found={found} />
  );
}
