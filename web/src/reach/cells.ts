import { answerType } from "../api/kinds";
import type {
  AnswerPiece,
  Aspect,
  FieldKind,
  ReachCell,
  ReachColumn,
  ReachStroke,
  ReachTable,
} from "../api/types";

/** Some cells: from one corner to the other. */
export type Block = { row: number; column: number; toRow: number; toColumn: number };

const between = (one: number, other: number, at: number) =>
  Math.min(one, other) <= at && at <= Math.max(one, other);

export function isIn(block: Block | null, row: number, column: number): boolean {
  return !!block && between(block.row, block.toRow, row) && between(block.column, block.toColumn, column);
}

/** What is said in a cell. */
export function said(cell: ReachCell, column: ReachColumn): string {
  if (cell.words) return cell.words;
  switch (cell.becomes) {
    case "yes":
      return column.yes;
    case "no":
      return column.no;
    case "folded":
      return "folded";
    case "depends":
      return "it depends";
    case "undecided":
      return "not decided";
    case "never":
      return "never answered so";
    case "says":
      return "";
  }
}

/** Whether something can be set in a cell. */
export function canSet(table: ReachTable, row: number, column: number): boolean {
  const { aspect, isSettable } = table.columns[column]!;
  const { shape } = table.rows[row]!;
  if (!isSettable || shape === "refused") return false;
  // While it is blank, nothing is offered.
  return !(aspect.type === "ofChoice" && shape === "blank");
}

/** How many columns are shown at a time: each cell is a button, and thousands of them are slow. */
export const COLUMNS_AT_ONCE = 20;

/** The places of the columns that have some words in their name or in what they are about; all of them for no words. */
export function columnsNamed(columns: ReachColumn[], words: string): number[] {
  const sought = words.trim().toLowerCase();
  return columns.flatMap(({ name, heading }, place) =>
    `${name} ${heading}`.toLowerCase().includes(sought) ? [place] : [],
  );
}

/**
 * What painting over some cells sets: the opposite of what is in the first of them, in each column of the block. What
 * does not follow the field yet is to be so in these lines alone. Columns that are not in sight are not painted.
 */
export function strokes(
  table: ReachTable,
  block: Block,
  besides: string[],
  inSight: number[] = table.columns.map((_, column) => column),
): ReachStroke[] {
  const isFresh = !isFollowed(table, block.column, besides);
  const is = isFresh || table.cells[block.row]?.[block.column]?.becomes !== "yes";
  const all: ReachStroke[] = [];
  table.columns.forEach(({ key, aspect }, column) => {
    if (!between(block.column, block.toColumn, column) || !inSight.includes(column)) return;
    const rows = table.rows
      .map((_, row) => row)
      .filter((row) => between(block.row, block.toRow, row) && canSet(table, row, column));
    if (rows.length) all.push({ key, aspect, rows, is });
  });
  return all;
}

/** The next line above or below that has cells; what is refused has none, and is passed by. */
export function nextRow(table: ReachTable, row: number, step: number): number {
  for (let next = row + step; step && next >= 0 && next < table.rows.length; next += step)
    if (table.rows[next]!.shape !== "refused") return next;
  return row;
}

/** What a column for an aspect of an item is asked for with. */
export function besideFor(key: string, aspect: Aspect): string {
  return aspect === "shown" ? key : `${key} ${aspect}`;
}

/** What a column is asked for with where it does not follow yet; empty for what cannot be. */
export function besideOf({ key, aspect }: ReachColumn): string {
  return aspect.type === "ofNode" ? besideFor(key, aspect.aspect) : "";
}

/** Whether a column follows the field: what was asked for besides and is so in all lines follows nothing yet. */
export function isFollowed(table: ReachTable, column: number, besides: string[]): boolean {
  if (!besides.includes(besideOf(table.columns[column]!))) return true;
  const becomes = table.cells.flatMap((cells) => cells[column]?.becomes ?? []);
  return new Set(becomes).size > 1;
}

/** Whether answers of a kind are cut by their size, or named ones told apart from all others; null where all are told apart. */
export function cutOf(kind: FieldKind): "size" | "name" | null {
  switch (answerType(kind)) {
    case "number":
    case "day":
    case "time":
      return "size";
    case "text":
      return "name";
    case "choice":
      return kind.type === "lookup" ? "name" : null;
    case "yesNo":
    case "choices":
    case "signature":
    case "files":
    case "payment":
      return null;
  }
}

/** Edges as they are typed, one after the other: 30 100; 2.5; of names, which may have blanks in them, by semicolons alone. */
export function edgesIn(typed: string, areNames = false): string[] {
  return typed
    .split(areNames ? ";" : /[\s;]+/)
    .map((edge) => edge.trim())
    .filter(Boolean);
}

/** Which of the patterns a line of the core has, so that neighbours differ. */
export function patterns(rows: AnswerPiece[]): string[] {
  let range = 0;
  return rows.map(({ shape }) => {
    switch (shape) {
      case "blank":
        return "empty";
      case "exactly":
        return "edge";
      case "refused":
        return "refused";
      case "between":
      case "choice":
      case "others":
      case "like":
        return `layer-${range++ % 4}`;
    }
  });
}
