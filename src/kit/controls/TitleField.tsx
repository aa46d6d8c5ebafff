import { TextField } from "./TextField";

/** Characters of a title, as records have them. */
const MOST = 240;

interface TitleFieldProps {
  readonly value: string;
  readonly onChange: (title: string) => void;
  /** Width in characters. */
  readonly width: number;
  readonly size?: "word" | "small";
}

/** What a thing that is put together is called; it may have no title yet. */
export function TitleField({ value, onChange, width, size = "word" }: TitleFieldProps) {
  return (
    <TextField
      label="Title"
      value={value}
      placeholder="Title"
      width={width}
      size={size}
      onCommit={(text) => {
        onChange(text.trim().slice(0, MOST));
        return undefined;
      }}
    />
  );
}
