import type { AsideInFile, Backup } from "./backup";
import { contentOf, revisionOf, type Saved } from "./saved";
import type { Settings } from "./settings";

/** How a thing in a file stands to what is here. */
export const ARRIVALS = [
  "new",
  "same",
  "changed-here",
  "changed-there",
  "changed-both",
  "deleted-here",
] as const;
export type Arrival = (typeof ARRIVALS)[number];

interface ImportItem {
  readonly arrival: Arrival;
  readonly theirs: Saved;
  /** The same thing here, where there is one. */
  readonly mine?: Saved | undefined;
}

/** What a file would bring, before anything of it is taken. */
export interface ImportPlan {
  readonly items: readonly ImportItem[];
  /** Settings in the file that differ from those here. */
  readonly settings: Partial<Settings>;
  readonly aside: readonly AsideInFile[];
}

/** What is done with things that are both here and in the file. */
export interface ImportChoice {
  readonly "changed-there": "take" | "keep";
  readonly "changed-both": "take" | "keep" | "both";
  readonly "deleted-here": "take" | "keep";
  readonly settings: boolean;
}

/** What is proposed: nothing that was made here is lost, and the settings stay. */
export const USUAL_CHOICE: ImportChoice = {
  "changed-there": "take",
  "changed-both": "both",
  "deleted-here": "take",
  settings: false,
};

/**
 * How each thing in a file stands to what is here. Which of two copies is the newer is told by their revisions, never by a clock: a
 * copy that knows the other's present state came from it.
 */
export function planImport(backup: Backup, mine: readonly Saved[], settings: Settings): ImportPlan {
  const byId = new Map(mine.map((each) => [each.id, each]));
  const items = backup.shelf.map((theirs): ImportItem => {
    const ours = byId.get(theirs.id);
    if (!ours) return { arrival: "new", theirs };
    // It may have come in before, as the second of two.
    const isHere = byId.has(copyId(theirs));
    return { arrival: isHere ? "same" : arrivalOf(ours, theirs), theirs, mine: ours };
  });
  const differing = Object.entries(backup.settings).filter(
    ([field, value]) => JSON.stringify(settings[field as keyof Settings]) !== JSON.stringify(value),
  );
  return { items, settings: Object.fromEntries(differing), aside: backup.aside };
}

function arrivalOf(mine: Saved, theirs: Saved): Arrival {
  if (mine.deletedAt !== undefined) return theirs.deletedAt === undefined ? "deleted-here" : "same";
  if (contentOf(mine) === contentOf(theirs)) return "same";
  if (mine.revisions.includes(revisionOf(theirs))) return "changed-here";
  return theirs.revisions.includes(revisionOf(mine)) ? "changed-there" : "changed-both";
}

/** The id of a thing that stands beside the one here: the same each time that the file comes in. */
const copyId = (theirs: Saved): string => `${theirs.id.slice(0, 36)} ${revisionOf(theirs)}`.slice(0, 64);

/** The things that come in by a choice, as they are to be put on the Shelf. */
export function arriving(
  { items }: ImportPlan,
  choice: ImportChoice,
  copyTitle: (title: string) => string,
): readonly Saved[] {
  return items.flatMap(({ arrival, theirs }) => {
    switch (arrival) {
      case "new":
        return [theirs];
      case "same":
      case "changed-here":
        return [];
      case "changed-there":
      case "deleted-here":
        return choice[arrival] === "take" ? [theirs] : [];
      case "changed-both": {
        const way = choice[arrival];
        return way === "keep"
          ? []
          : [way === "take" ? theirs : { ...theirs, id: copyId(theirs), title: copyTitle(theirs.title) }];
      }
    }
  });
}
