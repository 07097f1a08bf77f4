import { request } from "../api/http";
import type { FoundOnPage, Lettering, Place, ProposedPlace, SheetPage } from "../api/types";
import { copied, type drawn } from "./placing";
import { openProposals, questionOf } from "./proposals";
import { sheetOf } from "./sheets";
import type { WorkingCopy } from "./workingCopy.svelte";

/** The places of one page while they are moved and changed. */
export class Placing {
  /** How they lie while something is dragged, or an edit is on its way; otherwise as they are kept. */
  dragging = $state.raw<Place[] | null>(null);
  /** By their numbers; the one that others are aligned with comes first. */
  selected = $state.raw<ReadonlySet<number>>(new Set());
  /** Where a new one was drawn; null for none. */
  fresh = $state.raw<ReturnType<typeof drawn> | null>(null);

  /** What is found on the page to be filled in; null as long as it is not known. */
  found = $state.raw<FoundOnPage | null>(null);
  /** The proposal that is pointed at, by its number. */
  shown = $state<number | null>(null);

  constructor(
    readonly copy: WorkingCopy,
    readonly page: string,
  ) {}

  readonly kept = $derived.by(() => sheetOf(this.copy.nodes.get(this.page)));
  readonly sheet = $derived.by<SheetPage>(() => this.kept!.sheet);
  readonly places = $derived.by<Place[]>(() => this.dragging ?? this.kept?.places ?? []);
  readonly chosen = $derived.by(() =>
    [...this.selected].map((i) => this.places[i]).filter((place): place is Place => !!place),
  );
  readonly proposals = $derived.by(() => openProposals(this.found, this.places));

  private get address(): string {
    return `/api/templates/${this.copy.template}/sheets/${this.sheet.file}/pages/${this.sheet.number}`;
  }

  async look(): Promise<void> {
    try {
      this.found = await request<FoundOnPage>("GET", `${this.address}/found`);
    } catch (problem) {
      this.copy.told = (problem as Error).message;
    }
  }

  /** Makes questions of proposals, in one edit. */
  take(proposals: ProposedPlace[]): Promise<string[] | null> {
    this.shown = null;
    return this.copy.edit(() => ({
      type: "addPrinted",
      page: this.page,
      questions: proposals.map((it) => questionOf(it, this.sheet)),
    }));
  }

  /** Leaves proposals, or takes back that all were left. */
  async leave(proposals: ProposedPlace[]): Promise<void> {
    this.shown = null;
    const before = this.found;
    if (!before) return;
    const left = proposals.length ? [...before.left, ...proposals.map(({ number }) => number)] : [];
    this.found = { ...before, left };
    try {
      this.found = await request<FoundOnPage>("PUT", `${this.address}/left`, { numbers: left });
    } catch (problem) {
      this.found = before;
      this.copy.told = (problem as Error).message;
    }
  }

  /** Other pages that places can be copied to. */
  readonly others = $derived.by(() =>
    this.copy.inside("").filter((key) => key !== this.page && sheetOf(this.copy.nodes.get(key))),
  );

  nameOf(place: Place): string {
    const view = this.copy.nodes.get(place.item);
    const kind = view?.node.type === "field" ? view.node.kind : null;
    const label =
      kind && "choices" in kind ? kind.choices.find(({ id }) => id === place.choice)?.label : place.choice;
    return [view?.name ?? place.item, label].filter(Boolean).join(": ");
  }

  /** Keeps places as they are now. What others did to the page in between is not undone: then the edit is refused. */
  keep(next: Place[]): void {
    this.dragging = next;
    void this.copy
      .edit({ type: "setPlaces", page: this.page, places: next })
      .then(() => this.dragging === next && (this.dragging = null));
  }

  change(make: (places: Place[], selected: ReadonlySet<number>, sheet: SheetPage) => Place[]): void {
    if (this.selected.size) this.keep(make(this.places, this.selected, this.sheet));
  }

  letter(lettering: Partial<Lettering>): void {
    this.change((all, which) =>
      all.map((place, i) =>
        which.has(i) ? { ...place, lettering: { ...place.lettering, ...lettering } } : place,
      ),
    );
  }

  remove(): void {
    const gone = this.selected;
    this.selected = new Set();
    this.keep(this.places.filter((_, i) => !gone.has(i)));
  }

  copyTo(other: string): void {
    const { places, selected } = this;
    void this.copy.editNode(other, "page", (now) => ({
      type: "setPlaces",
      page: other,
      places: [...now.places, ...copied(places, selected, now.sheet!)],
    }));
  }

  pick(i: number, more: boolean): void {
    if (!more) this.selected = new Set([i]);
    else if (this.selected.has(i)) this.selected = new Set([...this.selected].filter((it) => it !== i));
    else this.selected = new Set([...this.selected, i]);
  }

  clear(): void {
    this.selected = new Set();
    this.fresh = null;
  }
}
