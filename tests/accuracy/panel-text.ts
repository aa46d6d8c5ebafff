import type { Identification } from "../../src/core/identify";
import {
  calledReason,
  comparedReason,
  endingReason,
  headlineText,
  homeReason,
  keyPassagesReason,
  notesReason,
  orText,
  passagesReason,
  plainText,
  profileRows,
  rivalReason,
  TOO_FEW_NOTES,
} from "../../src/words";

/** Everything that the panel of Identify says of an answer, as plain text. */
export function panelText(found: Identification): { readonly headline: string; readonly text: string } {
  const headline = headlineText(found);
  const isCentred = found.changes || found.called.kind !== "no-centre";
  const places = () => [];
  return {
    headline,
    text: [
      headline,
      orText(found),
      found.isShort ? TOO_FEW_NOTES : undefined,
      calledReason(found),
      passagesReason(found),
      keyPassagesReason(found),
      ...(isCentred
        ? [
            rivalReason(found),
            plainText(homeReason(found)),
            plainText(notesReason(found, places)),
            plainText(comparedReason(found, places)),
          ]
        : []),
      isCentred ? endingReason(found) : undefined,
      ...profileRows(found).map(([name, fact]) => `${name}: ${plainText(fact)}`),
    ]
      .filter((each) => each !== undefined)
      .join("\n"),
  };
}
