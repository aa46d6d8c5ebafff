import { useStore } from "@nanostores/react";
import { $goOn } from "@/session/playing/go-on";
import { Button } from "@/kit/controls";
import { Saying } from "@/kit/panel";
import { GO_ON_TITLE } from "@/words";

/** In the bar at the top: one press goes on with what was practised last, where there is something. */
export function GoOnButton() {
  const goOn = useStore($goOn);
  if (!goOn) return null;
  return (
    <button type="button" title={goOn.text} aria-label={`${GO_ON_TITLE}: ${goOn.text}`} onClick={goOn.start}>
      {GO_ON_TITLE}
    </button>
  );
}

/** In the log: the same, with what it starts. */
export function GoOnLine() {
  const goOn = useStore($goOn);
  if (!goOn) return null;
  return (
    <>
      <Saying>{goOn.text}</Saying>
      <p>
        <Button kind="main" onClick={goOn.start}>
          {GO_ON_TITLE}
        </Button>
      </p>
    </>
  );
}
