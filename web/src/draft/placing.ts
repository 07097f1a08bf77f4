import type { Place, SheetPage } from "../api/types";

/** Places on a page, in hundredths of a millimetre. Whatever is done to them, they stay on their page. */
export const MILLIMETRE = 100;

/** The shortest side of a place. */
const SHORTEST = 50;

type Selected = ReadonlySet<number>;
type Edge = "left" | "centre" | "right" | "top" | "middle" | "bottom";
type Size = Pick<SheetPage, "width" | "height">;

const clamp = (value: number, least: number, most: number) => Math.min(Math.max(value, least), most);

function changed(places: Place[], selected: Selected, change: (place: Place) => Place): Place[] {
  return places.map((place, i) => (selected.has(i) ? change(place) : place));
}

/** Moves places together, as far as all of them stay on the page. */
export function moved(places: Place[], selected: Selected, dx: number, dy: number, sheet: Size): Place[] {
  const all = places.filter((_, i) => selected.has(i));
  if (!all.length) return places;
  const x = clamp(
    Math.round(dx),
    -Math.min(...all.map((it) => it.left)),
    sheet.width - Math.max(...all.map((it) => it.left + it.width)),
  );
  const y = clamp(
    Math.round(dy),
    -Math.min(...all.map((it) => it.top)),
    sheet.height - Math.max(...all.map((it) => it.top + it.height)),
  );
  return changed(places, selected, (it) => ({ ...it, left: it.left + x, top: it.top + y }));
}

/** Makes places wider and higher; their upper left corners stay. */
export function resized(places: Place[], selected: Selected, dw: number, dh: number, sheet: Size): Place[] {
  return changed(places, selected, (it) => ({
    ...it,
    width: clamp(Math.round(it.width + dw), SHORTEST, sheet.width - it.left),
    height: clamp(Math.round(it.height + dh), SHORTEST, sheet.height - it.top),
  }));
}

/** Brings an edge or the middle of places to that of the one that was selected first. */
export function aligned(places: Place[], selected: Selected, edge: Edge, sheet: Size): Place[] {
  const first = places[[...selected][0] ?? -1];
  if (!first) return places;
  return changed(places, selected, (it) => {
    const left = {
      left: first.left,
      centre: first.left + Math.round((first.width - it.width) / 2),
      right: first.left + first.width - it.width,
    }[edge as "left"];
    const top = {
      top: first.top,
      middle: first.top + Math.round((first.height - it.height) / 2),
      bottom: first.top + first.height - it.height,
    }[edge as "top"];
    return {
      ...it,
      left: clamp(left ?? it.left, 0, sheet.width - it.width),
      top: clamp(top ?? it.top, 0, sheet.height - it.height),
    };
  });
}

/** Makes places as wide or as high as the one that was selected first. */
export function sameSize(
  places: Place[],
  selected: Selected,
  side: "width" | "height",
  sheet: Size,
): Place[] {
  const first = places[[...selected][0] ?? -1];
  if (!first) return places;
  const start = side === "width" ? "left" : "top";
  return changed(places, selected, (it) => ({
    ...it,
    [side]: Math.min(first[side], sheet[side] - it[start]),
  }));
}

/** Spreads places evenly between the first and the last of them, so that the gaps are alike. */
export function spread(places: Place[], selected: Selected, way: "across" | "down"): Place[] {
  const start = way === "across" ? "left" : "top";
  const side = way === "across" ? "width" : "height";
  const order = [...selected].sort((a, b) => places[a]![start] - places[b]![start]);
  if (order.length < 3) return places;
  const first = places[order[0]!]!;
  const last = places[order.at(-1)!]!;
  const room = last[start] + last[side] - first[start];
  const taken = order.reduce((sum, i) => sum + places[i]![side], 0);
  const gap = (room - taken) / (order.length - 1);
  const starts = new Map<number, number>();
  let at = first[start];
  for (const i of order) {
    starts.set(i, Math.round(at));
    at += places[i]![side] + gap;
  }
  return changed(places, selected, (it) => ({ ...it, [start]: starts.get(places.indexOf(it)) ?? it[start] }));
}

/** The places selected, as they would lie on another page; what would not lie on it is moved until it does. */
export function copied(places: Place[], selected: Selected, sheet: Size): Place[] {
  return places
    .filter((_, i) => selected.has(i))
    .map((it) => {
      const width = Math.min(it.width, sheet.width);
      const height = Math.min(it.height, sheet.height);
      return {
        ...it,
        width,
        height,
        left: clamp(it.left, 0, sheet.width - width),
        top: clamp(it.top, 0, sheet.height - height),
        source: "",
        script: "",
      };
    });
}

/** A place drawn from one corner to another. */
export function drawn(from: { x: number; y: number }, to: { x: number; y: number }, sheet: Size) {
  const left = clamp(Math.round(Math.min(from.x, to.x)), 0, sheet.width - SHORTEST);
  const top = clamp(Math.round(Math.min(from.y, to.y)), 0, sheet.height - SHORTEST);
  return {
    left,
    top,
    width: clamp(Math.round(Math.abs(to.x - from.x)), SHORTEST, sheet.width - left),
    height: clamp(Math.round(Math.abs(to.y - from.y)), SHORTEST, sheet.height - top),
  };
}

/** Notes one below the other, each as near to where it would like to stand as those above it let it. */
export function stacked(wanted: { top: number; height: number }[], gap: number): number[] {
  let end = 0;
  return wanted.map(({ top, height }) => {
    const at = Math.max(top, end);
    end = height ? at + height + gap : end;
    return at;
  });
}
