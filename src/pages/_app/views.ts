/** The views that there are, by the folders of the features: the server knows their names and loads none of them. */
export const viewIds: readonly string[] = Object.keys(import.meta.glob("../../features/*/index.ts"))
  .map((path) => path.split("/").at(-2) ?? "")
  .filter((id) => id !== "sheet");
