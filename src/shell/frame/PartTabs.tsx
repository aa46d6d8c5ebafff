import { useStore } from "@nanostores/react";
import { $place, addressOf, goTo, placeOf } from "@/session";
import { useKeys } from "@/session/place/useKeys";
import { Tabs } from "@/kit/controls";

interface Part<T extends string> {
  readonly value: T;
  readonly text: string;
  readonly keyName: string;
  /** What the list of keys says of it. */
  readonly says: string;
}

interface PartTabsProps<T extends string> {
  /** Id of the view, and its name. */
  readonly view: string;
  readonly name: string;
  readonly parts: readonly Part<T>[];
}

/** The parts of a view, each with its address and its key. */
export function PartTabs<T extends string>({ view, name, parts }: PartTabsProps<T>) {
  const place = useStore($place);
  const at = placeOf(view, place);
  useKeys(
    `Parts of ${name}`,
    parts.map(({ value, keyName, says }) => ({
      key: keyName,
      says,
      act: () => goTo(view, { part: value }),
    })),
  );
  return (
    <Tabs
      label={`Parts of ${name}`}
      value={parts.find(({ value }) => value === at.part)?.value ?? (parts[0]?.value as T)}
      tabs={parts.map((part) => ({
        ...part,
        href: addressOf({ ...place, views: { ...place.views, [view]: { ...at, part: part.value } } }),
      }))}
      onChoose={(part) => goTo(view, { part })}
    />
  );
}
