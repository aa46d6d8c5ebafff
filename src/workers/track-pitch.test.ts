import { describe, expect, it } from "vitest";
import { heardNotes, playedTune } from "@/core/tune";
import { performed, PLAYERS, timedNotes } from "@/devices";
import { readNotes, writeNotes } from "@/formats";
import { pitchJobs } from "./track-pitch";

const PHRASE = "E4:1 F4:0.5 G4 A4:1 B4 | C5:0.5 B4 A4 G4 F4:1 D4 | E4:0.5 E4 G#4 B4 E5:2 ||";

describe("a recording of one voice", () => {
  it("becomes the notes that were played, though the fiddle is flat and its notes tremble", async () => {
    const tune = readNotes(PHRASE).value;
    const tempo = 100;
    const samples = performed(timedNotes(tune, tempo), 44_100, PLAYERS.fiddler);
    let progress = 0;
    const frames = await pitchJobs.track({ samples, rate: 44_100 }, (share) => {
      progress = share;
    });
    expect(progress).toBeGreaterThan(0.8);
    expect(writeNotes(playedTune(heardNotes(frames), tempo))).toBe(
      "E4:1 F4:0.5 G4 A4:1 B4 | C5:0.5 B4 A4 G4 F4:1 D4 | E4:0.5 E4 G#4 B4 E5:2 ||",
    );
  });

  it("is found at other rates, an octave down and an octave up", async () => {
    for (const [octave, rate] of [
      [-12, 48_000],
      [12, 22_050],
    ] as const) {
      const notes = timedNotes(readNotes("A4 B4 C5 D5 | E5:4 ||").value, 90).map((note) => ({
        ...note,
        midi: note.midi + octave,
      }));
      const frames = await pitchJobs.track({ samples: performed(notes, rate, PLAYERS.fiddler), rate });
      expect(heardNotes(frames).map(({ midi }) => midi - octave)).toEqual([69, 71, 72, 74, 76]);
      for (const [at, { onset }] of heardNotes(frames).entries())
        expect(Math.abs(onset - (notes[at]?.onset ?? 0))).toBeLessThan(0.06);
    }
  });

  it("of silence or noise has no notes", async () => {
    const silence = await pitchJobs.track({ samples: new Float32Array(44_100), rate: 44_100 });
    expect(heardNotes(silence)).toEqual([]);
    const noise = Float32Array.from({ length: 44_100 }, (_, at) => Math.sin(at * at * 12.9898) * 0.5);
    expect(heardNotes(await pitchJobs.track({ samples: noise, rate: 44_100 }))).toEqual([]);
    expect(await pitchJobs.track({ samples: new Float32Array(10), rate: 44_100 })).toEqual([]);
  });
});
