/** What the frame says: links, storage, documents. */

export const LINK_TOO_LONG = "This is too long for a link. Save it on the Shelf and send a file instead.";

export const LINK_NOT_COPIED = "This browser doesn’t let Shade copy. Copy the link from here.";

export const STORAGE_SILENT =
  "This browser’s storage doesn’t answer. You can work on; what you make is saved as soon as it does.";

export const STAGE_CHANGED = "The link changed the stage.";

export const COMPUTATION_FAILED = "A computation failed. Reload the page if an answer is missing.";

export const DOCUMENT_UNREADABLE = "This one can’t be read. It was set aside on the Shelf.";
