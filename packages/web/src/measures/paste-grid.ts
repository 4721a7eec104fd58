/** Cells copied from a spreadsheet: rows parted by line ends, cells by tabs. One cell alone is no grid. */
export function cellsOf(text: string): string[][] | undefined {
  const rows = text
    .replace(/\r\n?/g, "\n")
    .replace(/\n+$/, "")
    .split("\n")
    .map((row) => row.split("\t").map((cell) => cell.trim()));
  return rows.length > 1 || (rows[0]?.length ?? 0) > 1 ? rows : undefined;
}
