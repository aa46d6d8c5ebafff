import { abcHeader } from "./abc-header";
import { decoded } from "./decode";

/** A tune of an ABC file before it is read: its text, and where its bytes stand in the file. */
export interface AbcPart {
  readonly text: string;
  readonly from: number;
  readonly to: number;
  /** The tune went on past what is read of one; the rest of it was passed over. */
  readonly isCut: boolean;
  /** The fields that the file has for all its tunes. */
  readonly header: string;
}

/** Bytes that are read of one tune: some 200,000 notes, more than any has. */
const MAX_TUNE_BYTES = 1024 * 1024;

const [LINE_FEED, RETURN, X, COLON] = [10, 13, 88, 58];

/** Where the next tune begins in some bytes: at an `X:` at the start of a line, from a place on; -1 where none does. */
function nextStart(bytes: Uint8Array, from: number): number {
  for (let at = bytes.indexOf(X, from); at >= 0; at = bytes.indexOf(X, at + 1)) {
    const before = bytes[at - 1];
    if (bytes[at + 1] === COLON && (at === 0 || before === LINE_FEED || before === RETURN)) return at;
  }
  return -1;
}

/**
 * Parts an ABC file into its tunes while it comes in, so that a file of any length needs no more memory than its longest
 * tune. What stands before the first tune is passed over, but for the fields that apply to all; text without a number is one tune.
 *
 * @example for await (const { text } of abcParts(file.stream())) readAbc(text)
 */
export async function* abcParts(
  chunks: AsyncIterable<Uint8Array>,
  most = MAX_TUNE_BYTES,
): AsyncGenerator<AbcPart> {
  let buffered = new Uint8Array();
  /** Where the tune under way begins in the file, and how much of it was passed over. */
  let start = 0;
  let passed = 0;
  let isCut = false;
  let isNumbered = false;
  let header = "";
  const part = (length: number): AbcPart | undefined => {
    const text = decoded(buffered.subarray(0, Math.min(length, most)));
    return text.trim() === ""
      ? undefined
      : { text, from: start, to: start + Math.min(length, most), isCut: isCut || length > most, header };
  };
  for await (const chunk of chunks) {
    const joined = new Uint8Array(buffered.length + chunk.length);
    joined.set(buffered);
    joined.set(chunk, buffered.length);
    // The last two bytes of what was held may begin an X: that the new bytes end.
    let from = Math.max(isNumbered ? 1 : 0, buffered.length - 2);
    buffered = joined;
    for (let next = nextStart(buffered, from); next >= 0; next = nextStart(buffered, from)) {
      const found = next > 0 && isNumbered ? part(next) : undefined;
      if (found) yield found;
      if (!isNumbered) header = abcHeader(decoded(buffered.subarray(0, next + 2)));
      buffered = buffered.subarray(next);
      start += next + passed;
      passed = 0;
      isCut = false;
      isNumbered = true;
      from = 1;
    }
    if (buffered.length > most + TAIL) {
      // Keeps what is read of this tune, and the last bytes, in which the next may begin.
      isCut = true;
      const kept = new Uint8Array(most + TAIL);
      kept.set(buffered.subarray(0, most));
      kept.set(buffered.subarray(buffered.length - TAIL), most);
      passed += buffered.length - kept.length;
      buffered = kept;
    }
  }
  const last = part(buffered.length);
  if (last) yield last;
}

const TAIL = 4;
