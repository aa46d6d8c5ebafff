/** A MIDI file whose every event is whole, and in how many tracks what came after a damaged place was left out. */
export interface WholeMidi {
  readonly bytes: Uint8Array;
  readonly torn: number;
}

/** Lengths of four letters and a number of four bytes. */
const HEAD = 8;

/** Bytes of a number of variable length at most (Standard MIDI Files 1.0, page 2). */
const MAX_VARIABLE = 4;

/** Meta events of one length: another length is a damaged place, or the writer's mistake, and the event says nothing. */
const META_LENGTHS: Readonly<Record<number, readonly number[]>> = {
  0x00: [2],
  0x20: [1],
  0x21: [1],
  0x2f: [0],
  0x51: [3],
  0x54: [5],
  0x58: [2, 4],
  0x59: [2],
};

/** Bytes of a text in it: a whole song's words, event by event, are shorter each. */
const MAX_TEXT = 4096;

/** The end of a track that has lost its own: no ticks later. */
const END_OF_TRACK = [0, 0xff, 0x2f, 0];

/** Tracks of one file that are read. */
const MAX_TRACKS = 512;

/**
 * Checks a MIDI file before a library reads it, which may follow a wrong length without end: each track is kept up to the first place
 * that can't be understood. Chunks of other kinds are passed over, as the format asks for. Linear in the bytes, and never throws;
 * undefined where it isn't a MIDI file, or has no track.
 *
 * @example wholeMidi(bytes)?.torn // 0 for a file as it should be
 */
export function wholeMidi(bytes: Uint8Array): WholeMidi | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const from = letters(bytes, 0) === "RIFF" ? riffHead(bytes) : 0;
  if (letters(bytes, from) !== "MThd" || bytes.length < from + HEAD + 6) return undefined;
  const tracks: Uint8Array[] = [];
  let torn = 0;
  let at = from + HEAD + view.getUint32(from + 4);
  while (at + HEAD <= bytes.length && tracks.length < MAX_TRACKS) {
    const length = view.getUint32(at + 4);
    const body = bytes.subarray(at + HEAD, Math.min(bytes.length, at + HEAD + length));
    if (letters(bytes, at) === "MTrk") {
      const track = wholeTrack(body);
      if (track.isTorn || body.length < length) torn += 1;
      tracks.push(track.bytes);
    }
    at += HEAD + length;
  }
  if (tracks.length === 0) return undefined;
  const head = bytes.slice(from + HEAD, from + HEAD + 6);
  new DataView(head.buffer).setUint16(2, tracks.length);
  return { bytes: joined([chunk("MThd", head), ...tracks.map((track) => chunk("MTrk", track))]), torn };
}

const letters = (bytes: Uint8Array, at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));

/** Where a MIDI file stands in a RIFF file: behind "RIFF", a length, "RMID", "data" and a length. */
const riffHead = (bytes: Uint8Array): number =>
  letters(bytes, 8) === "RMID" && letters(bytes, 12) === "data" ? 20 : 0;

function chunk(name: string, body: Uint8Array): Uint8Array {
  const whole = new Uint8Array(HEAD + body.length);
  for (let at = 0; at < 4; at += 1) whole[at] = name.charCodeAt(at);
  new DataView(whole.buffer).setUint32(4, body.length);
  whole.set(body, HEAD);
  return whole;
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** A track's events up to its end, or up to the first that isn't whole. */
function wholeTrack(track: Uint8Array): { readonly bytes: Uint8Array; readonly isTorn: boolean } {
  const kept: number[] = [];
  let at = 0;
  /** The kind of the last event of a channel: the next one need not say it again. */
  let status = 0;
  const variable = (place: number): { readonly value: number; readonly next: number } | undefined => {
    let value = 0;
    for (let read = 0; read < MAX_VARIABLE; read += 1) {
      const byte = track[place + read];
      if (byte === undefined) return undefined;
      value = value * 128 + (byte & 0x7f);
      if (byte < 0x80) return { value, next: place + read + 1 };
    }
    return undefined;
  };
  /** The place behind an event whose delta ends here; undefined where it isn't whole. */
  const behind = (
    place: number,
  ): { readonly next: number; readonly isEnd?: boolean; readonly says: boolean } | undefined => {
    const byte = track[place];
    if (byte === undefined) return undefined;
    if (byte === 0xff) {
      const kind = track[place + 1];
      const length = variable(place + 2);
      if (kind === undefined || !length || length.next + length.value > track.length) return undefined;
      const says = META_LENGTHS[kind]?.includes(length.value) ?? length.value <= MAX_TEXT;
      return { next: length.next + length.value, isEnd: kind === 0x2f, says };
    }
    if (byte === 0xf0 || byte === 0xf7) {
      const length = variable(place + 1);
      if (!length || length.next + length.value > track.length) return undefined;
      return { next: length.next + length.value, says: true };
    }
    if (byte > 0xf0) return undefined;
    const first = byte >= 0x80 ? place + 1 : place;
    if (byte >= 0x80) status = byte;
    if (status === 0) return undefined;
    const count = [0xc, 0xd].includes(status >> 4) ? 1 : 2;
    const values = track.subarray(first, first + count);
    if (values.length < count || values.some((value) => value >= 0x80)) return undefined;
    return { next: first + count, says: true };
  };
  /** Ticks of events that say nothing: the next one stands as much later. */
  let owed = 0;
  while (at < track.length) {
    const delta = variable(at);
    const event = delta && behind(delta.next);
    if (!delta || !event) {
      for (const byte of END_OF_TRACK) kept.push(byte);
      return { bytes: Uint8Array.from(kept), isTorn: true };
    }
    if (event.isEnd) {
      kept.push(...END_OF_TRACK);
      return { bytes: Uint8Array.from(kept), isTorn: false };
    }
    if (event.says) {
      for (const byte of owed === 0 ? track.subarray(at, delta.next) : written(owed + delta.value))
        kept.push(byte);
      for (let place = delta.next; place < event.next; place += 1) kept.push(track[place] ?? 0);
      owed = 0;
    } else owed += delta.value;
    at = event.next;
  }
  // Some writers leave the end out.
  for (const byte of END_OF_TRACK) kept.push(byte);
  return { bytes: Uint8Array.from(kept), isTorn: false };
}

/** A number as it is written in variable length, up to the largest that there may be. */
function written(value: number): readonly number[] {
  const found: number[] = [];
  let left = Math.min(value, 128 ** MAX_VARIABLE - 1);
  do {
    found.unshift((left % 128) | (found.length > 0 ? 0x80 : 0));
    left = Math.floor(left / 128);
  } while (left > 0);
  return found;
}
