import { decoded } from "./decode";

/** An element as the library hands it over when order is kept: its children under its name, its attributes beside. */
export type XmlNode = Readonly<Record<string, unknown>>;

export const nameIn = (node: XmlNode): string => Object.keys(node).find((key) => key !== ":@") ?? "";
export const childrenOf = (node: XmlNode): readonly XmlNode[] => {
  const inside = node[nameIn(node)];
  return Array.isArray(inside) ? (inside as readonly XmlNode[]) : [];
};
export const named = (nodes: readonly XmlNode[], name: string): readonly XmlNode[] =>
  nodes.filter((node) => nameIn(node) === name);
export const first = (nodes: readonly XmlNode[], name: string): XmlNode | undefined =>
  nodes.find((node) => nameIn(node) === name);
export const inside = (nodes: readonly XmlNode[], name: string): readonly XmlNode[] => {
  const found = first(nodes, name);
  return found ? childrenOf(found) : [];
};
export const textOf = (nodes: readonly XmlNode[], name: string): string =>
  inside(nodes, name)
    .map((node) => {
      const text = node["#text"];
      return typeof text === "string" || typeof text === "number" ? String(text) : "";
    })
    .join("")
    .trim();
export const numberOf = (nodes: readonly XmlNode[], name: string, otherwise: number): number => {
  const text = textOf(nodes, name);
  return text === "" || !Number.isFinite(Number(text)) ? otherwise : Number(text);
};
export const attribute = (node: XmlNode, name: string): string => {
  const all = node[":@"] as Readonly<Record<string, unknown>> | undefined;
  const value = all?.[`@_${name}`];
  return typeof value === "string" ? value : "";
};

const OPTIONS = {
  preserveOrder: true,
  ignoreAttributes: false,
  parseTagValue: false,
  // Only the five entities of XML itself: a document's own could stand for more than memory holds.
  processEntities: true,
};

const DOCTYPE = "<!DOCTYPE";

/**
 * The document's own declarations are cut away before it is parsed: scores need none, and entities in them can be bombs. In one go, since
 * a text may be made of beginnings of declarations.
 *
 * @throws Error where a declaration has no end, or there is another.
 */
function withoutDeclarations(text: string): string {
  const start = text.indexOf(DOCTYPE);
  if (start < 0) return text;
  const bracket = text.indexOf("[", start);
  const plainEnd = text.indexOf(">", start);
  const hasOwn = bracket >= 0 && bracket < plainEnd;
  const end = hasOwn ? text.indexOf(">", text.indexOf("]", bracket)) : plainEnd;
  if (end < 0 || (hasOwn && !text.includes("]", bracket)) || text.includes(DOCTYPE, start + 1))
    throw new Error("a document type declaration that isn't closed, or more than one");
  return text.slice(0, start) + text.slice(end + 1);
}

/** The elements of a score, compressed or not; undefined where it is no score. Throws on broken XML, as the library does. */
export async function scoreIn(file: string | Uint8Array): Promise<readonly XmlNode[] | undefined> {
  const text = typeof file === "string" ? file : await unpacked(file);
  const { XMLParser } = await import("fast-xml-parser");
  const nodes = new XMLParser(OPTIONS).parse(withoutDeclarations(text)) as readonly XmlNode[];
  const score = inside(nodes, "score-partwise");
  if (score.length > 0) return score;
  const timewise = inside(nodes, "score-timewise");
  return timewise.length === 0 ? undefined : partwise(timewise);
}

/** A score that has parts within measures as one that has measures within parts. */
function partwise(score: readonly XmlNode[]): readonly XmlNode[] {
  const parts = new Map<string, XmlNode[]>();
  for (const measure of named(score, "measure"))
    for (const part of named(childrenOf(measure), "part")) {
      const id = attribute(part, "id");
      const content = { measure: childrenOf(part), ":@": measure[":@"] };
      const all = parts.get(id);
      if (all) all.push(content);
      else parts.set(id, [content]);
    }
  return [
    ...score.filter((node) => nameIn(node) !== "measure"),
    ...[...parts].map(([id, part]): XmlNode => ({ part, ":@": { "@_id": id } })),
  ];
}

export const titleOf = (score: readonly XmlNode[]): string =>
  textOf(inside(score, "work"), "work-title") || textOf(score, "movement-title");

/** No score is longer than this when it is unpacked; what says it is, is not unpacked at all. */
const MAX_BYTES = 24_000_000;

/** Bytes that need no ratio, and how many times smaller a larger score is packed at most: music packs 15 to 40 to one. */
const [SMALL, MAX_RATIO] = [1_000_000, 100];

/**
 * The score in a compressed file: the first document that is no list of contents. The archive says how long each is, and no
 * more than that is unpacked.
 */
export async function unpacked(bytes: Uint8Array): Promise<string> {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return decoded(bytes);
  const { unzipSync } = await import("fflate");
  let isFound = false;
  const files = unzipSync(bytes, {
    filter: ({ name, size, originalSize }) => {
      const isScore = /\.(?:musicxml|xml)$/iu.test(name) && !name.startsWith("META-INF");
      const isBomb = originalSize > SMALL && originalSize > MAX_RATIO * size;
      if (!isScore || isFound || isBomb || originalSize > MAX_BYTES) return false;
      isFound = true;
      return true;
    },
  });
  return decoded(Object.values(files)[0] ?? new Uint8Array());
}
