/** How a CSV file is parted. */

/** So many lines tell how a file is parted: titles may stand above its table. */
const LINES_LOOKED_AT = 30;

/** The separator the file names, or else the one that parts most of its first lines into as many cells, outside quotation marks. */
export function withSeparator(text: string): { text: string; delimiter: string } {
  const named = /^sep=(.)(?:\r\n|\n|\r|$)/i.exec(text);
  if (named) return { text: text.slice(named[0].length), delimiter: named[1]! };
  const lines = text
    .slice(0, 100_000)
    .replace(/"[^"]*"/g, '')
    .split(/\r\n|\n|\r/, LINES_LOOKED_AT)
    .filter((line) => line.trim() !== '');
  const found = [',', ';', '\t', '|'].map((mark) => ({ mark, ...usualCells(lines, mark) }));
  found.sort((a, b) => b.lines * Math.min(b.cells, 4) - a.lines * Math.min(a.cells, 4) || b.cells - a.cells);
  return { text, delimiter: found[0]!.cells > 1 ? found[0]!.mark : ',' };
}

/** Into how many cells a mark parts most lines, and how many lines that are. */
function usualCells(lines: readonly string[], mark: string): { cells: number; lines: number } {
  const counts = new Map<number, number>();
  for (const line of lines) {
    const cells = line.split(mark).length;
    if (cells > 1) counts.set(cells, (counts.get(cells) ?? 0) + 1);
  }
  const [best] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0]);
  return best ? { cells: best[0], lines: best[1] } : { cells: 1, lines: 0 };
}
