/** A name in the form that is compared: lower case, signs as letters, no spaces or hyphens. */
export function plainForm(text: string): string {
  return text
    .toLowerCase()
    .replaceAll("♭♭", "𝄫")
    .replaceAll("𝄫", "doubleflat")
    .replaceAll(/bb(?=\d)/g, "doubleflat")
    .replaceAll("♯", "sharp")
    .replaceAll("♭", "flat")
    .replaceAll("♮", "natural")
    .replaceAll(/#(?=\d)/g, "sharp")
    .replaceAll(/b(?=\d)/g, "flat")
    .replaceAll(/[\s\-_,]/g, "");
}
