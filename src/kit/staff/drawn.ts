/** Draws into the engraver's picture: an element with its attributes, and what is written in it. */
export type Add = (
  name: string,
  attributes: Readonly<Record<string, string | number>>,
  text?: string,
) => void;

const SVG = "http://www.w3.org/2000/svg";

/** Takes the old marks of a picture away and answers what draws new ones; undefined where nothing was engraved. */
export function adderTo(drawn: ReadonlyMap<number, SVGElement>): Add | undefined {
  const svg = [...drawn.values()][0]?.ownerSVGElement;
  if (!svg) return undefined;
  for (const old of svg.querySelectorAll("[data-mark]")) old.remove();
  return (name, attributes, text) => {
    const mark = document.createElementNS(SVG, name);
    mark.setAttribute("data-mark", name);
    for (const [key, value] of Object.entries(attributes)) mark.setAttribute(key, String(value));
    if (text !== undefined) mark.textContent = text;
    svg.append(mark);
  };
}

/** Where the head of a note is drawn. */
export const headBox = (note: SVGElement | undefined): DOMRect | undefined =>
  note?.querySelector<SVGGraphicsElement>(".abcjs-notehead")?.getBBox();

/** Where the five lines that a note stands on are drawn. */
export const staffBox = (note: SVGElement | undefined): DOMRect | undefined =>
  note
    ?.closest<SVGGraphicsElement>(".abcjs-staff-wrapper")
    ?.querySelector<SVGGraphicsElement>(".abcjs-staff")
    ?.getBBox();

/** The notch of characteristic notes, at the upper right of their heads. */
export function drawNotches(
  drawn: ReadonlyMap<number, SVGElement>,
  characteristic: readonly number[],
  add: Add,
): void {
  for (const at of characteristic) {
    const head = headBox(drawn.get(at));
    if (head) add("path", { d: `M${head.x + head.width + 1} ${head.y - 3}h5v5z` });
  }
}

/** A frame round the heads of some notes, as far from them as is asked: what is pointed at, or target notes. */
export function drawFrames(
  drawn: ReadonlyMap<number, SVGElement>,
  framed: readonly number[],
  frame: { readonly class: "frame" | "target"; readonly away: number },
  add: Add,
): void {
  for (const at of framed) {
    const head = headBox(drawn.get(at));
    if (head)
      add("rect", {
        x: head.x - frame.away,
        y: head.y - frame.away,
        width: head.width + 2 * frame.away,
        height: head.height + 2 * frame.away,
        class: frame.class,
      });
  }
}

/** Spaces between the five lines of a staff. */
const SPACES = 4;

/** Outlines of heads where notes stood before, so many places of the staff away; one that stands where it stood has none. */
export function drawOutlines(
  drawn: ReadonlyMap<number, SVGElement>,
  outlines: ReadonlyMap<number, number>,
  add: Add,
): void {
  for (const [at, places] of outlines) {
    const head = headBox(drawn.get(at));
    const staff = staffBox(drawn.get(at));
    if (!head || !staff || places === 0) continue;
    const place = staff.height / SPACES / 2;
    add("ellipse", {
      cx: head.x + head.width / 2,
      cy: head.y + head.height / 2 - places * place,
      rx: head.width / 2,
      ry: place * 0.8,
      class: "outline",
    });
  }
}
