/**
 * The text in the bytes of a file: UTF-8 with or without its mark, UTF-16 with one; anything that is no UTF-8 is taken for the
 * old western encoding that tune files circulate in. Never throws.
 *
 * @example decoded(Uint8Array.of(0x43, 0xe9)) // "Cé"
 * @source The Encoding Standard (WHATWG): windows-1252 has a letter for every byte
 */
export function decoded(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}
