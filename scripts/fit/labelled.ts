import { soundOf } from "../../src/core/pitch";
import { SEVEN } from "../../src/core/scale";
import { openTuneFile, readTunes } from "../../src/formats";
import type { LabelledTune } from "./fit";

/**
 * The labelled tunes of a file: those of one voice whose source names home and one of the seven modes, and keeps them. What can't be read gives none.
 *
 * @param bytes a file of ABC, MusicXML or MIDI
 */
export async function labelledTunes(bytes: Uint8Array, name: string): Promise<readonly LabelledTune[]> {
  const { value: text } = await openTuneFile(bytes, name);
  if (!text) return [];
  const { value } = await readTunes(text);
  return value.flatMap(({ tune }) => {
    const [key, ...more] = tune.keys ?? [];
    const isOne = key && more.length === 0 && key.isSignature !== true && SEVEN.includes(key.mode);
    return isOne ? [{ tune, home: soundOf(key.home), mode: key.mode.id }] : [];
  });
}
