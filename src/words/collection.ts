/** What is said about a collection of tunes. */

export const TABLE_UNSAVED = "This table isn’t saved. After a reload, open its files again.";

export const COLLECTION_ASKS = "Which modes are these tunes in?";

export const NO_TUNE_LIKE_THAT = "No tune is like that.";
