import { useStore } from "@nanostores/react";
import type { ReactNode } from "react";
import { $practising, $sittings, $toSave, lastOf, practise } from "@/session";
import { routineDocument } from "./routine-document";
import type { RoutineItem } from "@/storage";
import { Button, Choice, Select, TitleField, Toggle } from "@/kit/controls";
import { Facts, Panel, Saying } from "@/kit/panel";
import { useKeys } from "@/session/place/useKeys";
import { afterRoundsText, durationText, KIND_TEXT, lastTimeText, ROUTINE_EMPTY, ROUTINE_SAYS } from "@/words";
import view from "@/shell/frame/View.module.css";
import { MinutesField, TempoOfField } from "./fields";
import styles from "./Log.module.css";

/** A routine: its items in order, each with its minutes and tempo, and how it is run. */
export function RoutineShow({ tabs }: { readonly tabs: ReactNode }) {
  const routine = useStore(routineDocument.$value);
  const practising = useStore($practising);
  useStore($sittings);
  const { items } = routine;
  const { change } = routineDocument;
  const put = (next: readonly RoutineItem[]) => change({ items: [...next] });
  const set = (id: string, part: Partial<RoutineItem>) =>
    put(items.map((each) => (each.id === id ? { ...each, ...part } : each)));
  const move = (at: number, by: 1 | -1) => {
    const next = [...items];
    const [one] = next.splice(at, 1);
    if (one) next.splice(at + by, 0, one);
    put(next);
  };
  const begin = () => items.length > 0 && !practising && practise(routine);
  const title = routine.title || "Routine";
  const save = () => $toSave.set({ kind: "routine", title, words: "", routine });
  useKeys("Log", [
    { key: "Enter", says: "Start the routine", act: begin },
    { key: "k", says: "Save this routine", act: save },
  ]);
  const minutes = items.reduce((sum, each) => sum + each.minutes, 0);
  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className="visually-hidden">Routine</h1>
          <TitleField value={routine.title} width={18} onChange={(title) => change({ title })} />
          <Choice
            label="Order"
            size="small"
            value={routine.order}
            options={[
              { value: "in-order", text: "in order" },
              { value: "shuffled", text: "shuffled" },
            ]}
            onChange={(order) => change({ order })}
          />
          <Button
            kind="main"
            keyName="Enter"
            disabled={items.length === 0 || practising !== undefined}
            onClick={begin}
          >
            Start
          </Button>
        </div>
        {items.length === 0 ? (
          <p className={styles.empty}>{ROUTINE_EMPTY}</p>
        ) : (
          <ol className={styles.items} aria-label="Items of the routine">
            {items.map((item, at) => (
              <li key={item.id} className={styles.itemRow}>
                <span className={styles.itemName}>
                  <strong>{item.title}</strong>
                  <small>
                    {[KIND_TEXT[item.kind], lastTimeOf(item)].filter((each) => each !== "").join(", ")}
                  </small>
                </span>
                <MinutesField
                  of={item.title}
                  value={item.minutes}
                  most={60}
                  onChange={(next) => set(item.id, { minutes: next })}
                />
                {item.kind !== "ear" && (
                  <>
                    <TempoOfField
                      of={item.title}
                      value={item.tempo}
                      onChange={(tempo) => set(item.id, { tempo })}
                    />
                    <Toggle isOn={item.climbs} onChange={(climbs) => set(item.id, { climbs })}>
                      tempo rises
                    </Toggle>
                    <RoundsOf item={item} onChange={(part) => set(item.id, part)} />
                  </>
                )}
                <Button
                  kind="quiet"
                  aria-label={`Move ${item.title} up`}
                  disabled={at === 0}
                  onClick={() => move(at, -1)}
                >
                  ↑
                </Button>
                <Button
                  kind="quiet"
                  aria-label={`Move ${item.title} down`}
                  disabled={at === items.length - 1}
                  onClick={() => move(at, 1)}
                >
                  ↓
                </Button>
                <Button
                  kind="quiet"
                  aria-label={`Remove ${item.title}`}
                  onClick={() => put(items.filter(({ id }) => id !== item.id))}
                >
                  Remove
                </Button>
              </li>
            ))}
          </ol>
        )}
      </div>
      <Panel
        title={title}
        acts={
          items.length > 0 && (
            <Button keyName="k" onClick={save}>
              Save
            </Button>
          )
        }
      >
        <Facts
          rows={[
            ["Items", String(items.length)],
            ["Length", durationText(minutes * 60)],
          ]}
        />
        <Saying>{ROUTINE_SAYS}</Saying>
      </Panel>
    </div>
  );
}

/** How the tempo of an item went the last time; nothing where it wasn't practised yet. */
function lastTimeOf(item: RoutineItem): string {
  const last = lastOf(item);
  return last?.tempo === undefined ? "" : lastTimeText(last.tempoBegun, last.tempo, last.rounds);
}

/** Rounds after which an item may go on by itself. */
const ROUNDS = [0, 1, 2, 4, 8, 16, 32];

/** Kinds of things that can be played in another key as they are. */
const MOVES = new Set<RoutineItem["kind"]>(["mode", "line"]);

interface RoundsOfProps {
  readonly item: RoutineItem;
  readonly onChange: (part: Partial<RoutineItem>) => void;
}

/** After how many rounds an item goes on, and to what. */
function RoundsOf({ item, onChange }: RoundsOfProps) {
  const { rounds } = item;
  const all = ROUNDS.includes(rounds) ? ROUNDS : [...ROUNDS, rounds];
  return (
    <>
      <Select
        size="small"
        label={`Rounds of ${item.title}`}
        value={String(rounds)}
        options={all.map((count) => ({ value: String(count), text: afterRoundsText(count) }))}
        onChange={(value) => onChange({ rounds: Number(value) })}
      />
      {rounds > 0 && MOVES.has(item.kind) && (
        <Select
          size="small"
          label={`What follows ${item.title}`}
          value={item.then}
          options={[
            { value: "item", text: "next item" },
            { value: "key", text: "up a fourth" },
          ]}
          onChange={(then) => onChange({ then })}
        />
      )}
    </>
  );
}
