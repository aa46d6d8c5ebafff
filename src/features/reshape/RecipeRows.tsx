import {
  ARRANGEMENTS,
  CHROMATIC_RULES,
  HARMONY_RHYTHMS,
  HARMONY_SOURCES,
  hasSevenths,
  MISSING_RULES,
  type Reshaped,
} from "@/core/reshape";
import type { Tune } from "@/core/tune";
import type { RecipeValue } from "@/storage";
import { Choice, FieldRow, Select, Toggle } from "@/kit/controls";
import {
  ARRANGEMENT_TEXT,
  CHORDS_TEXT,
  CHROMATIC_TEXT,
  HARMONY_RHYTHM_TEXT,
  harmonyText,
  MISSING_TEXT,
  SOURCE_OF_CHORDS,
} from "@/words";
import { changeRecipe } from "./reshaped";
import styles from "./Reshape.module.css";

interface RecipeRowsProps {
  /** The tune as it came. */
  readonly tune: Tune;
  readonly recipe: RecipeValue;
  readonly worked: Reshaped;
}

const CHORDS = ["rebuilt", "carried", "none"] as const;

/** What the recipe says beside the mode: the chords, and the melody where the new mode or the instrument has no room for it. */
export function RecipeRows({ tune, recipe, worked }: RecipeRowsProps) {
  const {
    chords,
    source,
    rhythm,
    hasPedal,
    seeksCharacteristic,
    which,
    missing,
    chromatic,
    isInRange,
    parts,
  } = recipe;
  const isChromatic = worked.changes.some((each) => each.isChromatic);
  const lacks = worked.changes.some(({ isMissing }) => isMissing);
  const { harmonies } = worked;
  return (
    <div className={styles.recipe}>
      <FieldRow isBeside name="Chords">
        <Choice
          label="Chords"
          size="small"
          value={chords}
          options={CHORDS.map((value) => ({ value, text: CHORDS_TEXT[value] }))}
          onChange={(next) => changeRecipe({ chords: next, which: 0 })}
        />
        {chords === "rebuilt" && (
          <>
            <Select
              label="Chords from"
              size="small"
              value={source}
              options={HARMONY_SOURCES.map((value) => ({ value, text: SOURCE_OF_CHORDS[value] }))}
              onChange={(next) => changeRecipe({ source: next, which: 0 })}
            />
            <Select
              label="How often they change"
              size="small"
              value={rhythm}
              options={HARMONY_RHYTHMS.map((value) => ({ value, text: HARMONY_RHYTHM_TEXT[value] }))}
              onChange={(next) => changeRecipe({ rhythm: next, which: 0 })}
            />
            <Toggle isOn={hasPedal} onChange={(isOn) => changeRecipe({ hasPedal: isOn })}>
              over a pedal on home
            </Toggle>
            <Toggle
              isOn={seeksCharacteristic}
              onChange={(isOn) => changeRecipe({ seeksCharacteristic: isOn, which: 0 })}
            >
              with the characteristic note
            </Toggle>
            <Toggle
              isOn={recipe.hasSevenths ?? hasSevenths(tune.chords ?? [])}
              onChange={(isOn) => changeRecipe({ hasSevenths: isOn, which: 0 })}
            >
              with sevenths
            </Toggle>
          </>
        )}
        {chords !== "none" && (
          <Select
            label="Parts"
            size="small"
            value={parts}
            options={ARRANGEMENTS.map((value) => ({ value, text: ARRANGEMENT_TEXT[value] }))}
            onChange={(next) => changeRecipe({ parts: next })}
          />
        )}
      </FieldRow>
      {harmonies.length > 1 && (
        <FieldRow isBeside name="Harmonies">
          <Select
            label="Harmony"
            size="small"
            value={String(Math.min(which, harmonies.length - 1))}
            options={harmonies.map((each, nth) => ({
              value: String(nth),
              text: `${nth + 1}: ${harmonyText(each, harmonies[0] ?? each, worked.tune)}`,
            }))}
            onChange={(nth) => changeRecipe({ which: Number(nth) })}
          />
        </FieldRow>
      )}
      <FieldRow isBeside name="Melody">
        {(lacks || missing !== "nearest") && (
          <Select
            label="Notes that the mode lacks"
            size="small"
            value={missing}
            options={MISSING_RULES.map((value) => ({
              value,
              text: `missing degrees: ${MISSING_TEXT[value]}`,
            }))}
            onChange={(next) => changeRecipe({ missing: next })}
          />
        )}
        {(isChromatic || chromatic !== "distance") && (
          <Select
            label="Chromatic notes"
            size="small"
            value={chromatic}
            options={CHROMATIC_RULES.map((value) => ({
              value,
              text: `chromatic notes: ${CHROMATIC_TEXT[value]}`,
            }))}
            onChange={(next) => changeRecipe({ chromatic: next })}
          />
        )}
        <Toggle isOn={isInRange} onChange={(isOn) => changeRecipe({ isInRange: isOn })}>
          keep within the instrument
        </Toggle>
      </FieldRow>
    </div>
  );
}
