/** Rows of cells from text as a spreadsheet puts it on the clipboard: tabs between cells, or semicolons where the first line has only these. */
export function pasted(text: string): string[][] {
  const lines = text.split(/\r?\n/).filter((line) => line.trim());
  const parting = !lines[0]?.includes("\t") && lines[0]?.includes(";") ? ";" : "\t";
  return lines.map((line) => line.split(parting).map((cell) => cell.trim()));
}

/** Rows of cells as text, with tabs between cells. */
export function tableText(rows: string[][]): string {
  return rows.map((row) => row.map((cell) => cell.replace(/[\t\n]/g, " ")).join("\t")).join("\n");
}
