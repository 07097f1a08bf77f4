import type { Column } from "../api/types";
import { decimal } from "./clauses";

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

/** The columns with these titles; one that was known by its title keeps its key. A column of numbers is one of numbers. */
export function columnsOf(titles: string[], rows: string[][], known: Column[]): Column[] {
  return titles.map((title, i) => {
    const key = known.find((column) => column.title === title)?.key ?? "";
    const cells = rows.map((row) => row[i] ?? "").filter(Boolean);
    return { key, title, number: cells.length > 0 && cells.every((cell) => decimal(cell) !== null) };
  });
}
