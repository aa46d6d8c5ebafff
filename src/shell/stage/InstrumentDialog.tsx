import { Dialog } from "@/kit/dialog";
import { later } from "@/kit/later";
import { INSTRUMENT_SAYS } from "@/words";

interface InstrumentDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

const InstrumentForm = later(() => import("./InstrumentForm").then(({ InstrumentForm }) => InstrumentForm));

/** Which instrument, how it is tuned, what of its neck is drawn, how far the hand opens. */
export function InstrumentDialog({ open, onClose }: InstrumentDialogProps) {
  return (
    <Dialog title="Instrument" says={INSTRUMENT_SAYS} open={open} onClose={onClose} place="side">
      <InstrumentForm />
    </Dialog>
  );
}
