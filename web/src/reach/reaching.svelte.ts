import { untrack } from "svelte";
import { request } from "../api/http";
import type { ReachAcross, ReachExamples, ReachTable, ReachView } from "../api/types";
import type { WorkingCopy } from "../draft/workingCopy.svelte";
import type { Block } from "./cells";
import { strokes } from "./cells";

/** A table that is looked at, and what is set in it. */
export class Reaching {
  /** The field whose answers are its lines; empty for none. */
  field = $state("");
  /** Whether the other answers are as they are tried out, or all of them are looked at. */
  isHeld = $state(true);
  /** Edges of its own. */
  edges = $state<string[]>([]);
  /** What stands in it without following yet. */
  besides = $state<string[]>([]);
  table = $state.raw<ReachTable | null>(null);
  revision = $state(-1);
  trouble = $state("");
  /** How many tables are being worked out; that for all answers of a large document takes seconds. */
  private underWay = $state(0);

  get isLooking(): boolean {
    return this.underWay > 0;
  }

  /** Whether something can be set: the table is that of the answers tried out, as they are now. */
  get isPaintable(): boolean {
    return this.isHeld && !this.isLooking && !this.copy.pending;
  }

  /** One of its columns by another field too: what was asked for, and the table. */
  across = $state.raw<{ column: number; other: string; table: ReachAcross } | null>(null);

  constructor(private readonly copy: WorkingCopy) {}

  /** Looks at another field. */
  look(field: string): void {
    this.field = field;
    this.edges = [];
    this.besides = [];
    this.table = null;
    this.across = null;
  }

  /** Lays another field across, for one column; the same again once the document has changed. */
  async layAcross(column: number, other: string): Promise<void> {
    const table = await request<ReachAcross>(
      "GET",
      `${this.base}/across/${other}?${this.query}&revision=${this.revision}&column=${column}`,
    );
    this.across = { column, other, table };
  }

  get query(): string {
    return this.asking(this.isHeld, this.edges);
  }

  private asking(isHeld: boolean, edges: string[]): string {
    const asked = new URLSearchParams({ reading: isHeld ? "HELD" : "ALL" });
    edges.forEach((edge) => asked.append("edge", edge));
    this.besides.forEach((item) => asked.append("item", item));
    return asked.toString();
  }

  get base(): string {
    return `/api/templates/${this.copy.template}/draft/reach/${this.field}`;
  }

  /** Keeps the table as the document and what is asked of it are; to be called where effects may be made. */
  follow(isReady: () => boolean): void {
    $effect(() => {
      // What is asked for is asked for anew when that changes, not when the answer does.
      if (isReady() && this.field && this.query) untrack(() => void this.load());
    });
  }

  /** Asks for the table as it is now; what was asked before and comes later is not taken. */
  async load(): Promise<void> {
    const asked = `${this.base}?${this.query}`;
    this.underWay++;
    try {
      const view = await request<ReachView>("GET", asked);
      if (asked !== `${this.base}?${this.query}` || view.revision < this.revision) return;
      this.table = view.table;
      this.revision = view.revision;
      this.trouble = "";
      const across = this.across;
      if (across && across.column < view.table.columns.length)
        await this.layAcross(across.column, across.other);
      else this.across = null;
    } catch (problem) {
      if (asked === `${this.base}?${this.query}`) this.trouble = (problem as Error).message;
    } finally {
      this.underWay--;
    }
  }

  /**
   * Cuts the lines at further edges, once the server has said that each can be one: it is asked for the table of
   * the answers held, which is the quick one. What is said of an edge that cannot be stays until something else is
   * asked for, since the table that is looked at is not asked for again.
   */
  async cut(edges: string[]): Promise<boolean> {
    const all = [...new Set([...this.edges, ...edges])];
    try {
      await request<ReachView>("GET", `${this.base}?${this.asking(true, all)}`);
    } catch (problem) {
      this.trouble = (problem as Error).message;
      return false;
    }
    this.edges = all;
    return true;
  }

  /** Sets what painting over some cells sets, in the columns that are in sight. */
  async paint(block: Block, inSight: number[]): Promise<void> {
    const table = this.table;
    if (!table) return;
    const painted = strokes(table, block, this.besides, inSight);
    if (painted.length) await this.copy.setInReach(this.field, this.revision, this.edges, painted);
  }

  /** Answers that show both sides of a cell of the table as it was read. */
  examples(row: number, column: number): Promise<ReachExamples> {
    return request(
      "GET",
      `${this.base}/examples?${this.query}&revision=${this.revision}&row=${row}&column=${column}`,
    );
  }
}
