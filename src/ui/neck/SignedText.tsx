import styles from "./Neck.module.css";

interface SignedTextProps {
  readonly x: number;
  readonly y: number;
  readonly text: string;
}

/** A name in a drawing, its accidentals in the music font. */
export function SignedText({ x, y, text }: SignedTextProps) {
  const letter = text.charAt(0);
  const signs = text.slice(1);
  return (
    <text className={styles.name} x={x} y={y}>
      {letter}
      {signs !== "" && <tspan className={styles.sign}>{signs}</tspan>}
    </text>
  );
}
