import { useEffect, useState } from "react";
import { type AskedOf, askAllModes, type ReckonedAnswer } from "@/workers";

/** The answer to a question about all modes, reckoned off the main thread; undefined while it is not there yet. */
export function useAnswer(question: AskedOf): ReckonedAnswer | undefined {
  const [answered, setAnswered] = useState<{ readonly to: string; readonly answer: ReckonedAnswer }>();
  const key = JSON.stringify(question);
  useEffect(() => {
    let isCurrent = true;
    void askAllModes(JSON.parse(key) as AskedOf).then((answer) => {
      if (isCurrent && answer) setAnswered({ to: key, answer });
    });
    return () => {
      isCurrent = false;
    };
  }, [key]);
  return answered?.to === key ? answered.answer : undefined;
}
