/** What the settings are about. */

export const SETTINGS_SAY = "Names, solfège and comparisons. They apply everywhere, in this browser.";

export const SOLFEGE_SAYS = "The syllables for the notes of a mode.";

export const REFERENCE_SAYS = "The scale that it is described as a change of.";

export const COMPARISON_SAYS = "The modes on the same home that decide which notes are characteristic.";

export const SINGLE_KEYS_SAY =
  "Off: letters and the space bar do nothing by themselves. Arrows, Escape and Ctrl+Z still work.";

export const ROOM_UNKNOWN = "The browser doesn’t say how much room there is.";

/** Whether everything works without a network. */
export const OFFLINE_TEXT = {
  unknown: "Shade isn’t saved for use offline yet. That happens shortly after it opens.",
  kept: "Shade works offline. The sounds of all instruments (1.8 MB) are saved too, yours first.",
  refused: "This browser doesn’t save Shade for use offline. It works as long as this tab is open.",
} as const;
