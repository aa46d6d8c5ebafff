/**
 * Names of style rules, those that there are, as an element takes them.
 *
 * @example classes(styles.button, undefined) // "_button_1x2y3"
 */
export const classes = (...names: readonly (string | undefined)[]): string =>
  names.filter((name) => name !== undefined && name !== "").join(" ");
