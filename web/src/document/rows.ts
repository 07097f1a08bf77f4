import type { Field, Node, Width } from "../api/types";

const PARTS: Record<Width, number> = { full: 6, half: 3, third: 2 };

/** How many sixths of a row an item takes. */
export function parts(node: Node): number {
  return node.type === "field" ? PARTS[(node as Field).width] : PARTS.full;
}

/** Puts items into rows, as many side by side as fit. */
export function rows<T>(items: T[], width: (item: T) => number): T[][] {
  const rows: T[][] = [];
  let room = 0;
  for (const item of items) {
    const wanted = width(item);
    if (wanted > room || wanted === PARTS.full) {
      rows.push([]);
      room = PARTS.full;
    }
    rows[rows.length - 1]!.push(item);
    room -= wanted;
  }
  return rows;
}
