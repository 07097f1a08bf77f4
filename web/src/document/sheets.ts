import type { Lettering, Place, SheetPage } from "../api/types";

/** A point in hundredths of a millimetre. */
const POINT = 2540 / 72;

/** As on paper: letters are at most so large, at least so small, lines so far apart. */
const LARGEST = 11;
const SMALLEST = 6;
const LEADING = 1.22;
const FILLING = 0.78;

/** How wide a text is, in letters of one point, in points. */
export type Measure = (text: string) => number;

/** Where a place lies on its sheet, as style. */
export function placeStyle(
  place: Pick<Place, "left" | "top" | "width" | "height">,
  sheet: SheetPage,
): string {
  const part = (length: number, whole: number) => `${((length / whole) * 100).toFixed(3)}%`;
  return [
    `left: ${part(place.left, sheet.width)}`,
    `top: ${part(place.top, sheet.height)}`,
    `width: ${part(place.width, sheet.width)}`,
    `height: ${part(place.height, sheet.height)}`,
  ].join("; ");
}

/** Letters of so many points, as style: the sheet is the measure, however wide it is seen. */
export function letterStyle(points: number, sheet: SheetPage): string {
  return `font-size: ${(((points * POINT) / sheet.width) * 100).toFixed(3)}cqw`;
}

/** As large as the letters of a text are, so that it fits its place; in points. */
export function fitted(text: string, place: Place, measure: Measure): number {
  const { lettering } = place;
  if (lettering.size > 0) return lettering.size / 10;
  const width = place.width / POINT - 3.2;
  const height = place.height / POINT;
  if (lettering.cells > 0) return inCells(place);
  if (!lettering.lines) {
    const largest = Math.min(LARGEST, Math.max(4, height * FILLING));
    const wide = measure(text.replace(/\s+/g, " ").trim());
    return wide ? Math.max(Math.min(largest, SMALLEST), Math.min(largest, width / wide)) : largest;
  }
  for (let size = LARGEST; size > SMALLEST; size -= 0.5) {
    if (lines(text, width / size, measure) * size * LEADING <= height) return size;
  }
  return SMALLEST;
}

function inCells(place: Place): number {
  const cell = place.width / POINT / place.lettering.cells;
  return Math.min(12, (place.height / POINT) * 0.75, cell * 1.25);
}

/** How many lines a text takes, broken between words. */
export function lines(text: string, width: number, measure: Measure): number {
  let count = 0;
  for (const paragraph of text.split("\n")) {
    let line = "";
    count++;
    for (const word of paragraph.split(" ")) {
      const longer = line ? `${line} ${word}` : word;
      if (line && measure(longer) > width) {
        count++;
        line = word;
      } else {
        line = longer;
      }
    }
  }
  return count;
}

/** The signs of a text, one for each cell; where they are too many, without those that only part the others. */
export function cells(text: string, lettering: Lettering): string[] {
  const all = [...text];
  const signs = all.length <= lettering.cells ? all : [...text.replace(/[^\p{L}\p{N}]/gu, "")];
  const shown = signs.slice(0, lettering.cells);
  const free = lettering.cells - shown.length;
  const before = { start: 0, middle: Math.floor(free / 2), end: free }[lettering.alignment];
  return [...Array<string>(before).fill(""), ...shown, ...Array<string>(free - before).fill("")];
}

let drawing: CanvasRenderingContext2D | null | undefined;

/** How wide a text is in the letters of the paper. */
export const measured: Measure = (text) => {
  drawing ??= document.createElement("canvas").getContext("2d");
  if (!drawing) return text.length * 0.5;
  drawing.font = '100px "Instrument Sans Variable", "Instrument Sans", sans-serif';
  return drawing.measureText(text).width / 100;
};
