import { identify } from "@/core/identify";
import { reshape } from "@/core/reshape";
import type { Tune } from "@/core/tune";
import { openTuneFile, readChartFile, readTunes } from "@/formats";
import { withOwnModes } from "./own-modes";
import { packFileTune, packTune, unpackTune } from "./packed-tune";
import type { CollectionJobs, IdentifyAsked, SentTune } from "./messages";

function sent(tune: Tune, expects: IdentifyAsked["expects"]): Omit<SentTune, "problems"> {
  const found = identify(tune, { expects });
  const [declared] = tune.keys ?? [];
  return {
    title: tune.title,
    notes: tune.notes.length,
    bars: tune.bars.filter(({ lead }) => lead === 0).length,
    ...(found
      ? {
          found: {
            home: found.homeMode.home,
            mode: found.homeMode.mode.id,
            weight: found.candidates[0]?.weight ?? 0,
            undecided: found.undecided?.degrees ?? [],
            modesLeft: found.undecided?.modes.length ?? 1,
            passages: found.changes ? found.passages.length : 1,
          },
        }
      : {}),
    ...(declared ? { declared: { home: declared.home, mode: declared.mode.id } } : {}),
    ...(found?.key ? { agrees: found.key.agrees } : {}),
  };
}

async function identified(asked: IdentifyAsked): Promise<readonly SentTune[]> {
  const { value, problems } = await readTunes(asked);
  if (value.length === 0) return [{ title: asked.name, notes: 0, bars: 0, problems }];
  return value.map(({ tune }, at) => {
    const row = sent(tune, asked.expects);
    return { ...row, title: row.title || asked.name, problems: at === 0 ? problems : [] };
  });
}

/** Reads and identifies texts, one after another. */
export const collectionJobs: CollectionJobs = {
  identify: async (texts) => {
    const all: (readonly SentTune[])[] = [];
    for (const text of texts) all.push(await identified(text));
    return all;
  },
  identifyLong: (packed, choice) => {
    const tune = unpackTune(packed);
    return identify(
      { ...tune, keys: withOwnModes(tune.keys) },
      { ...choice, about: withOwnModes(choice.about) },
    );
  },
  reshape: (packed, recipes) => {
    const tune = unpackTune(packed);
    const restored = { ...tune, keys: withOwnModes(tune.keys) };
    return recipes.map((recipe) => {
      const made = reshape(restored, withOwnModes(recipe));
      return { ...made, tune: packTune(made.tune) };
    });
  },
  read: async (text) => {
    const { value, problems } = await readTunes(text);
    return { value: value.map(packFileTune), problems };
  },
  open: openTuneFile,
  readChart: readChartFile,
};
