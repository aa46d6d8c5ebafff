import styles from "./Log.module.css";

interface AsTableProps {
  readonly head: readonly string[];
  /** The first of each row is its name. */
  readonly rows: readonly (readonly string[])[];
}

/** The values of a chart as a table, folded. */
export function AsTable({ head, rows }: AsTableProps) {
  return (
    <details className={styles.fold}>
      <summary>As a table</summary>
      <table className={styles.table}>
        <thead>
          <tr>
            {head.map((each) => (
              <th key={each} scope="col">
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => (
            // Two rows may have one name: things practised on one day.
            <tr key={at}>
              {row.map((each, column) =>
                column === 0 ? (
                  <th key={head[column]} scope="row">
                    {each}
                  </th>
                ) : (
                  <td key={head[column]}>{each}</td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
