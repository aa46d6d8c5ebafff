import { useStore } from "@nanostores/react";
import { useEffect, useRef, useState } from "react";
import { printName } from "@/core/pitch";
import { writeCsv } from "@/formats";
import { $addressNotices, $place, $ready, $settings, $sheetNeck, ownWordsFor, shelf, start } from "@/session";
import { Button } from "@/kit/controls";
import { saveFile } from "@/kit/files";
import { useConventions, useWording } from "@/session/settings/useConventions";
import { noticeText, sheetFailedText, playedOnText } from "@/words";
import { sheetRows } from "./facts";
import { pngFile, svgFile } from "@/kit/sheet";
import { SheetActs } from "./SheetActs";
import { SheetDrawing } from "./SheetDrawing";
import styles from "./SheetPage.module.css";

/** The mode sheet: the mode of the address on one page, to be printed or saved. */
export function SheetPage() {
  const place = useStore($place);
  const notices = useStore($addressNotices);
  const saved = useStore(shelf.$saved);
  const ready = useStore($ready);
  const conventions = useConventions();
  const wordingKey = useWording();
  const { instrument, tuning } = useStore($sheetNeck);
  const { leftHanded } = useStore($settings);
  const page = useRef<HTMLDivElement>(null);
  const [trouble, setTrouble] = useState("");
  useEffect(() => void start(), []);
  const { home, mode } = place;
  const name = `${printName(home)}-${mode.id}`.replaceAll("#", "sharp");
  const save = (make: (drawing: SVGSVGElement) => Promise<void>) => {
    const drawing = page.current?.querySelector("svg");
    setTrouble("");
    if (!drawing) return;
    make(drawing).catch((error: unknown) => setTrouble(sheetFailedText(error)));
  };

  return (
    <main className={styles.sheet} data-ready={ready || undefined}>
      <h1 className="visually-hidden">Mode sheet</h1>
      <SheetActs
        kind="sheet"
        onSvg={() =>
          save(async (drawing) => saveFile(`${name}.svg`, await svgFile(drawing), "image/svg+xml"))
        }
        onPng={() => save(async (drawing) => saveFile(`${name}.png`, await pngFile(drawing), "image/png"))}
        trouble={trouble}
      >
        <Button
          onClick={() =>
            saveFile(`${name}.csv`, `\uFEFF${writeCsv(sheetRows(place, conventions))}`, "text/csv")
          }
        >
          Save as CSV
        </Button>
        {notices.map((notice) => (
          <p key={notice.code} role="status">
            {noticeText(notice)}
          </p>
        ))}
      </SheetActs>
      <div ref={page} className={styles.page}>
        <SheetDrawing
          playedOn={playedOnText(instrument, tuning)}
          key={wordingKey}
          homeMode={place}
          conventions={conventions}
          own={ownWordsFor(mode, saved)}
          tuning={tuning}
          isLeft={leftHanded}
        />
      </div>
    </main>
  );
}
