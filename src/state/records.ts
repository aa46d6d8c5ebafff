import { browserStore } from "@/store";

/** The browser's records: one store for the whole application. */
export const records = browserStore();
