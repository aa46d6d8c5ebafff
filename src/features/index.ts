import { type Feature, installFeatures } from "@/session";
import { VIEWS } from "./views";

/** What each folder of a view says of it, by the folder. */
const BY_FOLDER = import.meta.glob<{ readonly feature: Feature }>("./*/index.ts", { eager: true });

installFeatures(VIEWS.flatMap(({ id }) => BY_FOLDER[`./${id}/index.ts`]?.feature ?? []));
