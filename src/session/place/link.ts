import { atom } from "nanostores";
import { isFields, type OwnTuning, type Settings, settingsIn } from "@/storage";
import { $documents } from "../document/documents";
import { $features, type Practised } from "./feature";
import { withPart } from "./fetched";
import { addressOf, goToAddress, currentPlace, placeOf } from "./place";
import { $settings, changeSettings } from "../settings/settings";
import { ownTuningId } from "../stage/stage";

/** What of the settings a link carries: how the stage looks. */
const STAGE = [
  "instrument",
  "tuning",
  "ownTunings",
  "capo",
  "leftHanded",
  "surface",
  "division",
  "system",
  "order",
  "labels",
  "easier",
  "figure",
  "octaves",
] as const satisfies readonly (keyof Settings)[];

/** Longer links are cut by some programs on their way: what is longer goes as a file. */
export const MAX_LINK = 16_000;

/** The stage as it was before a link set it; it can be set back. */
export const $stageBefore = atom<Partial<Settings> | undefined>(undefined);

const some = (settings: Settings, fields: readonly string[]): Partial<Settings> =>
  Object.fromEntries(Object.entries(settings).filter(([field]) => fields.includes(field)));

/**
 * A link to everything that is seen: the place, the stage, what is worked on. That stands in the fragment, which no server is told.
 * Undefined where what packs it can’t be had.
 *
 * @param instead another part of the view in front, and the documents that it opens with
 */
export async function linkHere(instead?: Pick<Practised, "part" | "documents">): Promise<string | undefined> {
  const current = currentPlace();
  const before = placeOf(current.view);
  const place = instead
    ? { ...current, views: { ...current.views, [current.view]: { ...before, part: instead.part } } }
    : current;
  const { tuning, ownTunings } = $settings.get();
  const stage = {
    ...some($settings.get(), STAGE),
    ownTunings: ownTunings.filter(({ name }) => tuning === ownTuningId(name)),
  };
  const at = `${current.view}/${before.part}`;
  const shown = $documents.get().filter(({ shownIn }) => shownIn.includes(at));
  const documents =
    instead?.documents ?? Object.fromEntries(shown.map(({ kind, $value }) => [kind, $value.get()]));
  const content = JSON.stringify({ stage, documents });
  const address = `${window.location.origin}${addressOf(place)}`;
  let link: string | undefined;
  await withPart("What makes links", fetchPacking, ({ deflateSync, strToU8 }) => {
    link = `${address}#with=${base64(deflateSync(strToU8(content), { level: 9 }))}`;
  });
  return link;
}

const fetchPacking = () => import("fflate");

const base64 = (bytes: Uint8Array): string => {
  let text = "";
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text).replaceAll("+", "-").replaceAll("/", "_").replaceAll("=", "");
};

/** Characters that a fragment unpacks to at most. */
const MAX_UNPACKED = 20_000_000;

function unpacked(text: string, { inflateSync, strFromU8 }: typeof import("fflate")): unknown {
  try {
    const bytes = Uint8Array.from(atob(text.replaceAll("-", "+").replaceAll("_", "/")), (c) =>
      c.charCodeAt(0),
    );
    return JSON.parse(strFromU8(inflateSync(bytes, { out: new Uint8Array(MAX_UNPACKED) })));
  } catch {
    return undefined;
  }
}

/** Opens what the address brings along, as documents of their own beside those that are here; it is taken out of the address then. */
export async function openLinked(url: URL): Promise<void> {
  const chords = url.searchParams.get("chords");
  if (chords !== null)
    $features
      .get()
      .find(({ opensChords }) => opensChords)
      ?.opensChords?.(chords);
  const packed = /^#with=(.+)$/u.exec(url.hash)?.[1];
  if (packed === undefined) return;
  // Until it has been opened the address keeps it, so that a reload tries again.
  await withPart("What opens links", fetchPacking, (packing) => {
    const content = unpacked(packed, packing);
    if (isFields(content)) {
      if (isFields(content.documents))
        for (const [kind, value] of Object.entries(content.documents)) openLinkedIn(kind, value);
      setStage(settingsIn(content.stage));
    }
    window.history.replaceState(window.history.state, "", addressOf(currentPlace()));
  });
}

/** Goes to an address as a step of its own, and opens what it brings along: the back button comes back. */
export function openAddress(url: URL): Promise<void> {
  goToAddress(url);
  return openLinked(url);
}

function openLinkedIn(kind: string, linked: unknown): void {
  const document = $documents.get().find((each) => each.kind === kind);
  const value = document?.read(linked);
  // The same link twice, or a reload, changes nothing.
  if (!document || !value || JSON.stringify(value) === JSON.stringify(document.$value.get())) return;
  // Only charts and tunes are listed under Recent; anything else is a step that can be undone.
  if (document.isListed) document.open(value);
  else document.change(value);
}

/** A tuning made by hand, under a name that is free here unless it is here already. */
function freeTuning(linked: OwnTuning, here: readonly OwnTuning[]): OwnTuning {
  const isSame = (own: OwnTuning) => JSON.stringify(own) === JSON.stringify(linked);
  let name = linked.name;
  for (let n = 2; here.some((own) => own.name === name && !isSame(own)); n += 1)
    name = `${linked.name.slice(0, 50)} ${n}`;
  return { ...linked, name };
}

/** Sets the stage as a link has it. */
function setStage(linked: Partial<Settings>): void {
  const now = $settings.get();
  const [own] = linked.ownTunings ?? [];
  const made = own && freeTuning(own, now.ownTunings);
  const isHere = now.ownTunings.some(({ name }) => name === made?.name);
  const stage: Partial<Settings> = {
    ...some({ ...now, ...linked }, STAGE),
    ownTunings: made && !isHere ? [...now.ownTunings, made] : now.ownTunings,
    ...(made ? { tuning: ownTuningId(made.name) } : {}),
  };
  const differing = Object.keys(stage).filter(
    (field) =>
      JSON.stringify(stage[field as keyof Settings]) !== JSON.stringify(now[field as keyof Settings]),
  );
  if (differing.length === 0) return;
  $stageBefore.set(some(now, differing));
  changeSettings(stage);
}

/** Puts the stage back as it was before the link. */
export function setStageBack(): void {
  const before = $stageBefore.get();
  if (before) changeSettings(before);
  $stageBefore.set(undefined);
}
