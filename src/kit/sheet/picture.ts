import type { MadeFile } from "@/kit/files";

/** Pixels to a unit of the drawing, so that the picture prints sharp. */
const SCALE = 2;

async function base64(url: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer());
  let text = "";
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}

/** The page's own fonts as far as a sheet needs them, so that a saved drawing looks the same elsewhere. */
async function fontFaces(): Promise<string> {
  const rules = [...document.styleSheets].flatMap((sheet) => [...sheet.cssRules]);
  const faces = rules.filter((rule) => rule instanceof CSSFontFaceRule);
  const wanted = faces.filter(({ style }) => {
    const range = style.getPropertyValue("unicode-range");
    return style.getPropertyValue("font-family").includes("Signs") || /U\+0{0,4}0?-0{0,2}FF/iu.test(range);
  });
  const written = await Promise.all(
    wanted.map(async ({ style, parentStyleSheet }) => {
      const source = /url\("?([^")]+)"?\)/u.exec(style.getPropertyValue("src"))?.[1];
      if (source === undefined) return "";
      const font = await base64(new URL(source, parentStyleSheet?.href ?? document.baseURI).href);
      return `@font-face{font-family:${style.getPropertyValue("font-family")};font-weight:100 900;src:url(data:font/woff2;base64,${font}) format("woff2")}`;
    }),
  );
  return written.join("");
}

/** A drawing of the page as an SVG file that stands by itself, fonts and all. */
export async function svgFile(drawing: SVGSVGElement): Promise<string> {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const { width, height } = drawing.viewBox.baseVal;
  copy.setAttribute("width", String(width));
  copy.setAttribute("height", String(height));
  const style = document.createElementNS("http://www.w3.org/2000/svg", "style");
  style.textContent = await fontFaces();
  copy.prepend(style);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}`;
}

/** Milliseconds between two drawings of a picture, and how many are made at most. */
const AGAIN = 80;
const MAX_DRAWINGS = 60;

/**
 * The same as a PNG, twice as fine as the drawing. The fonts that it brings along are read by the browser when they are first drawn with,
 * and until then it draws no text: it is drawn again until its text stands there and nothing changes any more.
 *
 * @throws Error where the browser will not draw it.
 */
export async function pngFile(drawing: SVGSVGElement): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([await svgFile(drawing)], { type: "image/svg+xml" }));
  try {
    const { width, height } = drawing.viewBox.baseVal;
    const canvas = document.createElement("canvas");
    canvas.width = width * SCALE;
    canvas.height = height * SCALE;
    const context = canvas.getContext("2d", { willReadFrequently: true });
    if (!context) throw new Error(NO_PICTURE);
    const texts = textPlaces(drawing);
    let before: string | undefined;
    for (let times = 0; times < MAX_DRAWINGS; times += 1) {
      const image = new Image();
      image.src = url;
      await image.decode();
      context.clearRect(0, 0, canvas.width, canvas.height);
      context.drawImage(image, 0, 0, canvas.width, canvas.height);
      const isWritten = texts.every((place) => isDrawn(context, place));
      const now = isWritten ? canvas.toDataURL() : undefined;
      if (now !== undefined && now === before) break;
      before = now;
      await new Promise((resolve) => setTimeout(resolve, AGAIN));
    }
    return await new Promise((resolve, reject) => {
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error(NO_PICTURE))), "image/png");
    });
  } finally {
    URL.revokeObjectURL(url);
  }
}

const NO_PICTURE = "the browser gave no picture";

/** Texts that are looked at to tell whether the fonts are there. */
const LOOKED_AT = 12;

type Place = Pick<DOMRect, "x" | "y" | "width" | "height">;

/** Where the first texts of a drawing stand, in its own units. */
function textPlaces(drawing: SVGSVGElement): readonly Place[] {
  const whole = drawing.getBoundingClientRect();
  const unit = drawing.viewBox.baseVal.width / whole.width;
  return [...drawing.querySelectorAll("text")]
    .filter((text) => text.textContent.trim() !== "")
    .slice(0, LOOKED_AT)
    .map((text) => {
      const at = text.getBoundingClientRect();
      return {
        x: (at.x - whole.x) * unit,
        y: (at.y - whole.y) * unit,
        width: at.width * unit,
        height: at.height * unit,
      };
    })
    .filter(({ width, height }) => width >= 1 && height >= 1);
}

/** Whether anything stands out in a place: more than one colour. */
function isDrawn(context: CanvasRenderingContext2D, { x, y, width, height }: Place): boolean {
  const { data } = context.getImageData(x * SCALE, y * SCALE, width * SCALE, height * SCALE);
  const pixels = new Uint32Array(data.buffer);
  return pixels.some((pixel) => pixel !== pixels[0]);
}

/**
 * Drawings as files, numbered where there are several.
 *
 * @throws Error where the browser will not draw one.
 */
export async function sheetFiles(
  drawings: readonly SVGSVGElement[],
  name: string,
  kind: "svg" | "png",
): Promise<readonly MadeFile[]> {
  return Promise.all(
    drawings.map(async (drawing, at): Promise<MadeFile> => {
      const file = `${name}${drawings.length > 1 ? `-${at + 1}` : ""}.${kind}`;
      if (kind === "svg")
        return { name: file, bytes: new TextEncoder().encode(await svgFile(drawing)), type: "image/svg+xml" };
      const png = await pngFile(drawing);
      return { name: file, bytes: new Uint8Array(await png.arrayBuffer()), type: "image/png" };
    }),
  );
}
