import { useRef } from "react";
import { Button } from "./Button";

interface FileButtonProps {
  readonly children: string;
  /** What the file is, for those who cannot see the button. */
  readonly label: string;
  /** Endings and media types that are offered. */
  readonly accept: string;
  readonly onFile?: (file: File) => void;
  /** Several can be chosen; all of them are handed over. */
  readonly isMany?: boolean;
  readonly onFiles?: (files: readonly File[]) => void;
  readonly title?: string;
  /** `quiet` beside other quiet buttons. */
  readonly kind?: "plain" | "quiet";
}

/** A button that asks for a file: the browser's own chooser behind it. The same file can be chosen again. */
export function FileButton({
  children,
  label,
  accept,
  onFile,
  isMany = false,
  onFiles,
  title,
  kind = "plain",
}: FileButtonProps) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button kind={kind} title={title} onClick={() => chooser.current?.click()}>
        {children}
      </Button>
      <input
        ref={chooser}
        type="file"
        accept={accept}
        multiple={isMany}
        className="visually-hidden"
        tabIndex={-1}
        aria-label={label}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          const [file] = files;
          if (file) {
            onFile?.(file);
            onFiles?.(files);
          }
          event.target.value = "";
        }}
      />
    </>
  );
}
