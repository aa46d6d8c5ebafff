// @ts-check
/**
 * Makes the font of accidentals and note values, `src/styles/signs.woff2`, from Noto Music: each sign as high as a capital letter of the
 * text and a little more above and below, so that it reads as part of a note's name. In Noto Music a sharp hangs a quarter below the line, as it
 * does on a staff. Run it again when that font changes.
 */
import { readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import opentype from "opentype.js";
// @ts-expect-error The package has no types.
import wawoff2 from "wawoff2";
import { root } from "./ready.mjs";

const MUSIC = "node_modules/@fontsource/noto-music/files/noto-music-music-400-normal.woff2";

/** Thousandths of the type size that a sign reaches down to and up to. A capital letter reaches from 0 to 710. */
const SEATS = /** @type {const} */ ([
  ["♯", -60, 790],
  ["♭", -70, 787],
  ["♮", -60, 790],
  ["𝄪", 150, 560],
  ["𝄫", -70, 787],
  ["♩", -40, 760],
  ["♪", -40, 760],
]);

const bytes = await wawoff2.decompress(await readFile(join(root, MUSIC)));
const music = opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));

const glyphs = SEATS.map(([sign, from, to]) => {
  const drawn = music.charToGlyph(sign);
  const { y1, y2 } = drawn.getBoundingBox();
  const scale = (to - from) / (y2 - y1);
  const path = new opentype.Path();
  for (const command of drawn.path.commands) {
    const moved = /** @type {Record<string, string | number>} */ ({ ...command });
    for (const [key, value] of Object.entries(moved)) {
      if (typeof value !== "number") continue;
      moved[key] = key.startsWith("x") ? value * scale : from + (value - y1) * scale;
    }
    path.commands.push(/** @type {any} */ (moved));
  }
  return new opentype.Glyph({
    name: `u${(sign.codePointAt(0) ?? 0).toString(16)}`,
    unicode: sign.codePointAt(0) ?? 0,
    advanceWidth: Math.round((drawn.advanceWidth ?? 0) * scale),
    path,
  });
});

const font = new opentype.Font({
  familyName: "Shade Signs",
  styleName: "Regular",
  unitsPerEm: music.unitsPerEm,
  ascender: 800,
  descender: -200,
  glyphs: [
    new opentype.Glyph({ name: ".notdef", unicode: 0, advanceWidth: 300, path: new opentype.Path() }),
    ...glyphs,
  ],
});
const packed = await wawoff2.compress(new Uint8Array(font.toArrayBuffer()));
await writeFile(join(root, "src/styles/signs.woff2"), packed);
console.log(`${packed.length} bytes`);
