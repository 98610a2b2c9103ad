/** One row of the table: what, the figure, its unit, and how much it may be. */
type Report = (what: string, value: number, unit: string, budget: number, words?: string) => void;

export interface Table {
  /** A figure with its budget; beyond it the row is marked. */
  report: Report;
  /** A row in words of its own. */
  row(what: string, measured: string, budget: string, good: boolean): void;
  print(): void;
}

export function table(): Table {
  const rows: [what: string, measured: string, budget: string, good: boolean][] = [];
  return {
    report: (what, value, unit, budget, words = `≤ ${budget} ${unit}`.trim()) =>
      rows.push([
        what,
        `${value < 10 && !Number.isInteger(value) ? value.toFixed(2) : value.toFixed(0)} ${unit}`,
        words,
        value <= budget,
      ]),
    row: (...cells) => rows.push(cells),
    print() {
      const wide = Math.max(...rows.map((r) => r[0].length));
      const mid = Math.max(...rows.map((r) => r[1].length));
      for (const [what, measured, budget, good] of rows)
        console.log(`${good ? ' ' : '!'} ${what.padEnd(wide)}  ${measured.padEnd(mid)}  ${budget}`);
      console.log('\n! marks a figure beyond its budget.\n');
    },
  };
}
