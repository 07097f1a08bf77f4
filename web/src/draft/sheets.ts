import type { NodeView, Place, SheetPage } from "../api/types";

/** A page of the document that is written on a page of a PDF; null for one that is set from its items. */
export function sheetOf(view: NodeView | undefined): { sheet: SheetPage; places: Place[] } | null {
  const node = view?.node;
  return node?.type === "page" && node.sheet ? { sheet: node.sheet, places: node.places } : null;
}

/** What tells a place from all others on its page. */
export function placeName(place: Place): string {
  return [place.item, place.choice, place.row, place.left, place.top].join(" ");
}

/** On which page each item that has a place stands first. */
export function firstPages(pages: string[], nodes: ReadonlyMap<string, NodeView>): Map<string, string> {
  const first = new Map<string, string>();
  for (const page of pages) {
    for (const { item } of sheetOf(nodes.get(page))?.places ?? [])
      if (!first.has(item)) first.set(item, page);
  }
  return first;
}

/** The first place of each item on a page, by its number among the places. */
export function firstPlaces(places: Place[]): Set<number> {
  const seen = new Set<string>();
  const first = new Set<number>();
  places.forEach((place, i) => {
    if (!seen.has(place.item)) first.add(i);
    seen.add(place.item);
  });
  return first;
}
