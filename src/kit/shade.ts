/** The shade of a brightness, as the style sheets name it: "3" to "-3"; beyond, the ends stay as they are. */
export function shadeOf(brightness: number): string {
  return String(Math.max(-3, Math.min(3, Math.round(brightness))));
}
