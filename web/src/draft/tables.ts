/** Rows of cells from text as a spreadsheet puts it on the clipboard: tabs between cells, or semicolons where there are none. */
export function pasted(text: string): string[][] {
  const lines = text.split(/\r?\n/).filter((line) => line.trim());
  const parting = lines.some((line) => line.includes("\t")) ? "\t" : ";";
  return lines.map((line) => line.split(parting).map((cell) => cell.trim()));
}

/** Rows of cells as text, with tabs between cells. */
export function tableText(rows: string[][]): string {
  return rows.map((row) => row.map((cell) => cell.replace(/[\t\n]/g, " ")).join("\t")).join("\n");
}
