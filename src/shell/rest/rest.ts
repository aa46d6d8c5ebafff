import type { ViewManifest } from "@/session";

/** A view as it stands in a page before any of it runs. */
export type AtRest = Pick<ViewManifest, "id" | "name" | "asks" | "picture" | "tries">;

/** The picture that a view's answer will stand in. */
export type RestPicture = AtRest["picture"];
