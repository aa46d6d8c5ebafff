/** Who plays the chords under a melody: one guitar with the melody too, two hands, or three bowed strings while the fourth has the melody. */
export const ARRANGEMENTS = ["none", "guitar", "keyboard", "strings"] as const;
export type Arrangement = (typeof ARRANGEMENTS)[number];
