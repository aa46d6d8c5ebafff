// @ts-check
/**
 * The rooms of the house from the ground up. A room imports only from rooms before it in this list;
 * inside the core the same holds among its own rooms.
 */
export const rooms = [
  "core/problem",
  "core/pitch",
  "core/scale",
  "core/chord",
  "core/progression",
  "core/tune",
  "core/identify",
  "core/instrument",
  "core/reshape",
  "core/training",
  "formats",
  "server",
  "offline",
  "middleware",
  "devices",
  "storage",
  "demo",
  "audio",
  "workers",
  "words",
  "kit",
  "session",
  "shell",
  "features",
  "sheets",
  "pages",
];
