/** The mark: four cells from light to dark. */
export function Mark() {
  return (
    <svg width="24" height="20" viewBox="0 0 24 20" aria-hidden="true">
      {["#ffffff", "#d9dcd1", "#b4c0be", "#83969c"].map((fill, at) => (
        <rect key={fill} x={at * 6} y="0" width="4.4" height="20" fill={fill} />
      ))}
    </svg>
  );
}
