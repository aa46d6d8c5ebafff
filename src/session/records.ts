import { browserStore } from "@/storage";

/** The browser's records: one store for the whole application. */
export const records = browserStore();
