/** What kind of tunes somebody brings: mostly in major and minor, of all kinds, or modal ones. Stands by itself, for what only keeps it. */
export const EXPECTATIONS = ["major-minor", "mixed", "modal"] as const;
export type Expectation = (typeof EXPECTATIONS)[number];
