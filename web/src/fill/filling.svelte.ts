import { SvelteSet } from "svelte/reactivity";
import { Problem, request, said } from "../api/http";
import { keyOf } from "../document/answers";
import { wrapping } from "../document/forms";
import type { AnswerKept, Field, Finished, NodeStateFieldState, Sheet } from "../api/types";

const FIRST_PAUSE = 500;
const LONGEST_PAUSE = 8_000;
/** How long leading on waits for what was just typed to be taken into account. */
const PATIENCE = 1_000;

/** One person's way through a document: what is typed is shown at once, sent in order, and never lost on the way. */
export class Filling {
  sheet = $state<Sheet | null>(null);
  typed = $state<Record<string, string>>({});
  keptAt = $state<string | null>(null);
  /** Whether an answer could not be sent yet and is tried again. */
  waiting = $state(false);
  /** What the server refused for good. */
  refused = $state("");
  /** What appeared last, for those who cannot see it appear. */
  news = $state("");
  busy = $state(false);
  /** Whether finishing was tried, so that what is missing is said beside each field. */
  asked = $state(false);
  left = new SvelteSet<string>();

  /** What sections stand in, as many as were told at first: another element would be all controls made anew. */
  wrap: "form" | "div" = "form";

  /** The roles whose fields are open; null where all are. */
  owned: string[] | null = null;
  /** The sections in which one has something to do; null for all. */
  concerns: Set<string> | null = null;
  /** What one has signed with before, to be used again. */
  adopted = $state<Record<string, string>>({});

  private readonly unsentName: string;
  private unsent: Record<string, string> = {};
  private sending: Promise<void> | null = null;
  /** What could not be kept though the server is there; it stays here, and is tried again when its filler says so. */
  private failed = new SvelteSet<string>();

  constructor(
    readonly link: string,
    /** Where the server takes what is done here. */
    readonly base = `/api/fill/${link}`,
  ) {
    this.unsentName = `unsent ${link}`;
  }

  async open(): Promise<void> {
    this.begin(await request<Sheet>("GET", this.base));
  }

  protected begin(sheet: Sheet): void {
    const all = Object.values(sheet.nodes);
    // Pages are there one after the other.
    const isOnePage = all.filter(({ type }) => type === "page").length < 2;
    this.wrap = wrapping(isOnePage ? all.filter(({ type }) => type === "field").length : 0);
    this.sheet = sheet;
    this.typed = sheet.answers;
    this.unsent = sheet.record === null ? JSON.parse(localStorage.getItem(this.unsentName) ?? "{}") : {};
    Object.assign(this.typed, this.unsent);
    void this.send();
  }

  get record(): number | null {
    return this.sheet?.record ?? null;
  }

  field(at: string): Field | undefined {
    const node = this.sheet?.nodes[keyOf(at)];
    return node?.type === "field" ? node : undefined;
  }

  type(key: string, text: string): void {
    this.typed[key] = text;
    this.unsent[key] = text;
    this.failed.delete(key);
    this.remember();
    void this.send();
  }

  /** Whether something that was typed could not be kept. */
  get hasFailed(): boolean {
    return this.failed.size > 0;
  }

  /** Tries again to keep what could not be kept. */
  tryAgain(): Promise<void> {
    this.failed.clear();
    this.refused = "";
    return this.send();
  }

  /** What is to be said beside a field now: only when its filler has left it, or tried to finish. */
  message(key: string, state: NodeStateFieldState): string {
    if (!this.asked && !this.left.has(key)) return "";
    if (state.problem) return state.problem;
    return this.asked && state.missing ? "This still needs an answer." : "";
  }

  /** The next field in document order that still needs something, from the one given on; from the start after the last. */
  async next(after: string | null): Promise<string | undefined> {
    await Promise.race([this.send(), new Promise((resolve) => setTimeout(resolve, PATIENCE))]);
    const wanting = this.sheet?.obstacles.map(({ key }) => key) ?? [];
    const order = this.inOrder("");
    const place = (at: string) => order.indexOf(keyOf(at));
    const from = after ? wanting.indexOf(after) : -1;
    if (from >= 0) return wanting[from + 1] ?? wanting[0];
    return wanting.find((at) => after && place(at) > place(after)) ?? wanting[0];
  }

  /** The keys of all that something holds, in document order. */
  private inOrder(holder: string): string[] {
    return (this.sheet?.held[holder] ?? []).flatMap((key) => [key, ...this.inOrder(key)]);
  }

  async finish(): Promise<void> {
    this.busy = true;
    try {
      await this.allSent();
      await this.tryToFinish();
      this.asked = true;
    } catch (problem) {
      this.refused = said(problem);
    } finally {
      this.busy = false;
    }
  }

  protected async tryToFinish(): Promise<void> {
    const finished = await request<Finished>("POST", `${this.base}/finish`);
    this.sheet!.obstacles = finished.obstacles;
    this.sheet!.record = finished.record;
  }

  /** Whether all that can be done here is done. */
  get isOver(): boolean {
    return this.record !== null;
  }

  /** Whether a field is somebody else's to answer. */
  isOthers(key: string): boolean {
    const role = this.field(key)?.role;
    return this.owned !== null && (role === undefined || !this.owned.includes(role));
  }

  /** Goes to pay what is due in a field; there is no desk where nobody in particular fills in. */
  async pay(_at: string): Promise<void> {}

  /** Ends when all that was typed is kept or refused; fails where some could not be kept. */
  async allSent(): Promise<void> {
    await this.tryAgain();
    if (this.hasFailed) throw new Error(this.refused);
  }

  async again(): Promise<void> {
    await request<void>("POST", `${this.base}/again`);
    location.reload();
  }

  /** Sends what is not sent yet, one answer after the other; ends when all is kept or refused. */
  private send(): Promise<void> {
    this.sending ??= this.sendAll().finally(() => (this.sending = null));
    return this.sending;
  }

  private async sendAll(): Promise<void> {
    let pause = FIRST_PAUSE;
    const next = () => Object.keys(this.unsent).find((it) => !this.failed.has(it));
    for (let key = next(); key !== undefined; key = next()) {
      const text = this.unsent[key]!;
      try {
        const kept = await request<AnswerKept>("PUT", `${this.base}/answers/${encodeURIComponent(key)}`, {
          typed: text,
        });
        this.sent(key, text);
        this.take(kept);
        this.waiting = false;
        pause = FIRST_PAUSE;
      } catch (problem) {
        if (problem instanceof Problem && problem.passing) {
          this.waiting = true;
          await backAfter(pause);
          pause = Math.min(2 * pause, LONGEST_PAUSE);
          continue;
        }
        if (problem instanceof Problem && !problem.repeatable) this.sent(key, text);
        else if (this.unsent[key] === text) this.failed.add(key);
        this.refused = said(problem);
      }
    }
  }

  private sent(key: string, text: string): void {
    if (this.unsent[key] === text) delete this.unsent[key];
    this.remember();
  }

  private remember(): void {
    if (Object.keys(this.unsent).length) localStorage.setItem(this.unsentName, JSON.stringify(this.unsent));
    else localStorage.removeItem(this.unsentName);
  }

  private take(kept: AnswerKept): void {
    const sheet = this.sheet!;
    const appearing = Object.keys(kept.states).filter(
      (key) => kept.states[key]!.shown && !sheet.states[key]?.shown,
    );
    takeNew(sheet.held, kept.held);
    takeNew(sheet.nodes, kept.nodes);
    for (const [at, state] of Object.entries(kept.states)) {
      const before = sheet.states[at];
      // Of what folds nothing more is told; while it leaves it is seen as it was.
      sheet.states[at] =
        state.shown || before?.type === state.type || !before ? state : { ...before, shown: false };
    }
    sheet.progress = kept.progress;
    sheet.obstacles = kept.obstacles;
    this.keptAt = kept.kept;
    const appeared = appearing.filter((key) => this.field(key));
    if (appeared.length === 1) this.news = `New question: ${this.field(appeared[0]!)!.label}`;
    else if (appeared.length) this.news = `${appeared.length} new questions`;
  }
}

/** Takes what is not there yet or was otherwise: what is told again as it was is no reason to look at anything again. */
function takeNew<T>(into: Record<string, T>, told: Record<string, T>): void {
  for (const [key, value] of Object.entries(told)) {
    if (JSON.stringify(into[key]) !== JSON.stringify(value)) into[key] = value;
  }
}

/** Waits for a while, or until the net is back. */
function backAfter(pause: number): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      removeEventListener("online", done);
      resolve();
    };
    const timer = setTimeout(done, pause);
    addEventListener("online", done);
  });
}
