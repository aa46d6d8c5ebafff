import { NumberField } from "@/kit/controls";

interface OfProps {
  /** What it is of. */
  readonly of: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

/** Minutes for which something is, or was, practised. */
export const MinutesField = ({ of, most, ...rest }: OfProps & { readonly most: number }) => (
  <NumberField label={`Minutes of ${of}`} least={1} most={most} unit="min" {...rest} />
);

/** The tempo at which something is, or was, practised. */
export const TempoOfField = ({ of, ...rest }: OfProps) => (
  <NumberField label={`Tempo of ${of}`} least={30} most={300} unit="bpm" {...rest} />
);
