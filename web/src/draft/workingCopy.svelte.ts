import { tick, untrack } from "svelte";
import { SvelteMap, SvelteSet } from "svelte/reactivity";
import { Problem, request } from "../api/http";
import type { Follower } from "../api/follower";
import { address, keyOf } from "../document/answers";
import type {
  BlockList,
  BlockRow,
  DraftChange,
  DraftSettings,
  Edit,
  Example,
  Finding,
  Missed,
  Node,
  NodeState,
  NodeView,
  PromiseView,
  PromiseVerdict,
  Proof,
  ReachStroke,
  SharedCondition,
  Stage,
  Suggestions,
  TrialView,
  TriedClause,
  TriedShare,
  Vocabulary,
} from "../api/types";
import { takeDraft } from "./firstDraft";

const PAUSE = 1_500;

/** What an edit was refused for, and what can be done about it. */
export type Refused = {
  message: string;
  followers: Follower[];
  anyway: Edit | null;
  /** Whether it was not refused for what it is, but failed, and may be tried again as it is. */
  failed: boolean;
};

/** Something that failed and waits for its author to say whether it is tried again. */
class Failed {
  decide!: (again: boolean) => void;
  readonly decided = new Promise<boolean>((resolve) => (this.decide = resolve));
}

/** The answers tried out that others took the place of, by template: from whichever view that was done. */
const triedBefore = new SvelteMap<string, { answers: Record<string, string>; stage: Stage; role: string }>();

/** The working copy of a template in the Draft view. Edits and answers are sent one after the other, as they were made. */
export class WorkingCopy {
  nodes = new SvelteMap<string, NodeView>();
  held = new SvelteMap<string, string[]>();
  answers = $state<Record<string, string>>({});
  /** The shared conditions, by key. */
  shared = new SvelteMap<string, SharedCondition>();
  /** What belongs to the document as a whole. */
  settings = $state.raw<DraftSettings | null>(null);
  /** The messages of the conditions for finishing that do not hold. */
  unmet = $state<string[]>([]);
  /** At which stage the document is looked at, and as whom; an empty role for nobody in particular. */
  stage = $state<Stage>("filling");
  role = $state("");
  /** What is selected besides. */
  also = new SvelteSet<string>();
  /** What was copied. */
  clip = $state<string[]>([]);
  /** The phrase that waits for its condition; null for none. */
  phrase = $state<string | null>(null);
  /** Takes a field or one of its choices that its author points at in the document; null while nobody waits for one. */
  pointing = $state<((field: string, choice: string | null) => void) | null>(null);
  /** How what stands in rows stands, by address. */
  inRows = new SvelteMap<string, NodeState>();
  title = $state("");
  subtitle = $state("");
  changed = $state("");
  release = $state(0);
  canUndo = $state(false);
  canRedo = $state(false);
  selected = $state<string | null>(null);
  refused = $state<Refused | null>(null);
  /** What the author is told once: that somebody else edited, that the server is not there. */
  told = $state("");
  revision = $state(0);
  /** How many edits and answers are on their way. */
  pending = $state(0);
  vocabulary: Vocabulary = { operators: {} };

  /** Counts what the server told; what is asked of it beside is asked anew then. */
  answered = $state(0);

  /** What holds each node. */
  private readonly holders = $derived.by(() => {
    const holders = new Map<string, string>();
    for (const [holder, keys] of this.held) for (const key of keys) holders.set(key, holder);
    return holders;
  });

  private readonly base: string;
  private queue: Promise<unknown> = Promise.resolve();
  private untried = new Set<string>();
  private failures: Failed[] = [];

  constructor(readonly template: string) {
    this.base = `/api/templates/${template}/draft`;
  }

  async open(): Promise<void> {
    const draft = await takeDraft(this.template);
    this.vocabulary = draft.vocabulary;
    this.release = draft.release;
    this.answers = draft.answers;
    this.nodes.clear();
    this.held.clear();
    this.inRows.clear();
    this.stage = draft.stage;
    this.role = draft.role;
    this.take({ ...draft, gone: [] });
    void this.loadBlocks().catch((problem: Error) => (this.told = problem.message));
  }

  private take(change: DraftChange): void {
    this.answered++;
    for (const [key, view] of Object.entries(change.nodes)) this.nodes.set(key, view);
    for (const [key, keys] of Object.entries(change.held)) this.held.set(key, keys);
    for (const [at, state] of Object.entries(change.inRows)) this.inRows.set(at, state);
    this.shared.clear();
    for (const it of change.shared) this.shared.set(it.key, it);
    for (const key of change.gone) {
      this.also.delete(key);
      this.nodes.delete(key);
      this.held.delete(key);
      if (this.selected === key) this.selected = null;
    }
    if (change.settings) this.settings = change.settings;
    this.unmet = change.unmet;
    this.title = change.title;
    this.subtitle = change.subtitle;
    this.revision = change.revision;
    this.changed = change.changed;
    this.canUndo = change.canUndo;
    this.canRedo = change.canRedo;
  }

  view(key: string): NodeView {
    return this.nodes.get(key)!;
  }

  inside(key: string): string[] {
    return this.held.get(key) ?? [];
  }

  /** How a node stands, in a row or outside of rows. */
  stateOf(key: string, row: string): NodeState | undefined {
    return row ? this.inRows.get(address(key, row)) : this.nodes.get(key)?.state;
  }

  /** The rows of a repeating section; null where a node does not repeat. */
  rowsOf(key: string): string[] | null {
    const state = this.nodes.get(key)?.state;
    return state?.type === "section" ? state.rows : null;
  }

  /** The repeating section in whose rows a node stands; null where it stands in none. */
  around(key: string): string | null {
    for (let holder = this.holder(key); holder; holder = this.holder(holder)) {
      const node = this.nodes.get(holder)?.node;
      if (node?.type === "section" && node.rows) return holder;
    }
    return null;
  }

  /** A node and all that it holds, in reading order. */
  within(key: string): string[] {
    return [key, ...this.inside(key).flatMap((inner) => this.within(inner))];
  }

  /** What holds a node. */
  holder(key: string): string {
    return this.holders.get(key) ?? "";
  }

  /**
   * Makes an edit; resolves to the keys it added, or to null where it was refused. An edit that is made of how things
   * stand is given as a function, which is asked when its turn has come and all edits before it are done.
   */
  edit(what: Edit | (() => Edit)): Promise<string[] | null> {
    let edit: Edit | null = null;
    return this.ask(
      async () => {
        edit ??= typeof what === "function" ? what() : what;
        const change = await request<DraftChange>("POST", `${this.base}/edits`, {
          revision: this.revision,
          edit,
        });
        const added = Object.keys(change.nodes).filter((key) => !this.nodes.has(key));
        this.take(change);
        if (edit.type === "renameKey") this.renamed(edit.key, edit.to);
        return added;
      },
      () => edit,
    );
  }

  private renamed(from: string, to: string): void {
    for (const [at, typed] of Object.entries(this.answers)) {
      if (keyOf(at) !== from) continue;
      this.answers[to + at.slice(from.length)] = typed;
      delete this.answers[at];
    }
    this.selected = to;
  }

  /** Edits what hangs on a node as it stands when the edit's turn has come. */
  editNode<T extends Node["type"]>(
    key: string,
    type: T,
    make: (node: Extract<Node, { type: T }>) => Edit,
  ): Promise<string[] | null> {
    return this.edit(() => {
      const node = this.nodes.get(key)?.node;
      if (node?.type !== type) throw new Problem(422, "This is no longer in the document.");
      return make(node as Extract<Node, { type: T }>);
    });
  }

  /** Adds or copies something and selects it. */
  async make(edit: Edit): Promise<string | null> {
    const added = await this.edit(edit);
    const key = added?.[0] ?? null;
    if (key) this.selected = key;
    return key;
  }

  /** The blocks in the author's library. */
  blocks = $state<BlockRow[]>([]);

  async loadBlocks(): Promise<void> {
    this.blocks = (await request<BlockList>("GET", "/api/blocks")).blocks;
  }

  /** Does something with a block that changes the document; resolves to the keys that were added. */
  withBlock(path: string, body: object): Promise<string[] | null> {
    return this.ask(async () => {
      const change = await request<DraftChange>("POST", `${this.base}/blocks${path}`, {
        revision: this.revision,
        ...body,
      });
      const added = Object.keys(change.nodes).filter((key) => !this.nodes.has(key));
      this.take(change);
      await this.loadBlocks();
      return added;
    });
  }

  /** Takes the last version of a list of the organisation into the document. */
  takeLookup(lookup: string): Promise<unknown> {
    return this.ask(async () =>
      this.take(await request("POST", `${this.base}/lookups`, { revision: this.revision, lookup })),
    );
  }

  undo = (): Promise<unknown> => this.step("undo", () => this.canUndo);
  redo = (): Promise<unknown> => this.step("redo", () => this.canRedo);

  /** Whether there is something to take back is known only when all that was done before has arrived. */
  private step(which: "undo" | "redo", can: () => boolean): Promise<unknown> {
    return this.ask(async () => {
      if (can()) this.take(await request("POST", `${this.base}/${which}`));
    });
  }

  /** Types into the document; only the last of what was typed in a hurry is sent. */
  tryOut(key: string, text: string): void {
    this.answers[key] = text;
    if (!this.untried.has(key)) {
      this.untried.add(key);
      void this.ask(async () => {
        const typed = this.answers[key] ?? "";
        this.untried.delete(key);
        this.take(await request("PUT", `${this.base}/answers`, { key, typed }));
      });
    }
  }

  /** What the document does for all possible answers; it comes when it is ready, behind the edits. */
  private proof = $state.raw<Proof | null>(null);

  /** Whether that is known of the document as it is now. */
  readonly isProven: boolean = $derived(this.proof?.revision === this.revision && !this.pending);

  private readonly found: Finding[] = $derived([
    ...(this.settings?.findings ?? []),
    ...(this.proof?.findings.filter(({ key }) => !key || this.nodes.has(key)) ?? []),
  ]);

  /** What its author probably did not mean. What was found before the last edits stands until it is looked at anew. */
  readonly findings: Finding[] = $derived(this.found.filter(({ accepted }) => !accepted));

  /** What was found and is meant, each with its reason. */
  readonly acceptedFindings: Finding[] = $derived(this.found.filter(({ accepted }) => accepted));

  /** Accepts a finding for a reason; without one it is told again. */
  async accept({ key, message }: Finding, reason: string): Promise<boolean> {
    if (!(await this.edit({ type: "acceptFinding", key, message, reason }))) return false;
    // It is so at once; that everything is looked through anew takes longer.
    if (this.proof) {
      const findings = this.proof.findings.map((each) =>
        each.key === key && each.message === message ? { ...each, accepted: reason } : each,
      );
      this.proof = { ...this.proof, findings };
    }
    return true;
  }

  /** What is promised, and whether it is so; null while that is being looked at. */
  readonly promises: (PromiseView & { verdict: PromiseVerdict | null })[] = $derived(
    (this.settings?.promises ?? []).map((promise, i) => ({
      ...promise,
      verdict: (this.proof?.revision === this.revision && this.proof.promises[i]) || null,
    })),
  );

  /** The trials, and what came otherwise than was expected; null while that is being looked at. */
  readonly trials: (TrialView & { missed: Missed[] | null })[] = $derived(
    (this.settings?.trials ?? []).map((trial) => ({
      ...trial,
      missed:
        (this.proof?.revision === this.revision &&
          this.proof.trials.find(({ name }) => name === trial.name)?.missed) ||
        null,
    })),
  );

  /** Sets what is to be so for some answers to a field, in the lines of a table of a revision; of another it is refused. */
  setInReach(field: string, revision: number, edges: string[], strokes: ReachStroke[]): Promise<unknown> {
    return this.ask(async () => {
      const set = { revision, edges, strokes };
      this.take(await request("POST", `${this.base}/reach/${field}`, set));
    });
  }

  /** How much of the logic the trials have tried; as before the last edits until that is looked at anew. */
  readonly coverage: TriedShare | null = $derived(this.proof?.coverage ?? null);

  /** What no trial has tried yet, by what it is about; nothing where there are no trials at all. */
  readonly untriedClauses: ReadonlyMap<string, TriedClause[]> = $derived.by(() => {
    const untried = new Map<string, TriedClause[]>();
    if (!this.settings?.trials.length) return untried;
    for (const clause of this.coverage?.untried ?? [])
      untried.set(clause.key, [...(untried.get(clause.key) ?? []), clause]);
    return untried;
  });

  /** Trials of what its own have not tried. */
  suggestedTrials(): Promise<Suggestions> {
    return request("GET", `${this.base}/trials/suggested`);
  }

  /** Keeps how the document stands with the answers tried out as a trial; without a name it is called by its answers. */
  record(name: string): Promise<boolean | null> {
    return this.ask(async () => {
      this.take(await request("POST", `${this.base}/trials`, { name }));
      return true;
    });
  }

  /** Expects of a trial what comes of its answers now. */
  expect(name: string): Promise<unknown> {
    return this.ask(async () => this.take(await request("PUT", `${this.base}/trials`, { name })));
  }

  /** Why it could not be looked through; empty where it could, or was not tried. */
  notLookedThrough = $state("");

  /** Asks what the document does for all possible answers, unless that is known of this revision. */
  lookThrough = async (): Promise<void> => {
    if (this.proof?.revision === this.revision) return;
    this.notLookedThrough = "";
    try {
      const proof = await request<Proof>("GET", `${this.base}/proof`);
      if (proof.revision >= (this.proof?.revision ?? 0)) this.proof = proof;
    } catch (problem) {
      this.notLookedThrough = (problem as Error).message;
    }
  };

  /** Types the answers of an example in place of what is typed. */
  async tryExample(example: Example): Promise<void> {
    void this.clearAnswers();
    for (const [key, typed] of Object.entries(example.answers)) this.tryOut(key, typed);
    if (this.stage !== example.context.stage || this.role !== example.context.role)
      void this.seeAs(example.context.stage, example.context.role);
    await this.queue;
  }

  /** Whether what belongs to the document as a whole is being edited. */
  ofDocument = $state(false);

  /** Opens what belongs to the document as a whole, or closes it. */
  openDocument(open: boolean): void {
    if (open) void this.select(null);
    this.ofDocument = open;
  }

  /** Selects the next finding's item, or, for those about the document, opens it. */
  async nextFinding(step: -1 | 1): Promise<void> {
    const findings = this.findings;
    const order = ["", ...this.inside("").flatMap((page) => this.within(page))];
    const at = this.selected ? order.indexOf(this.selected) : this.ofDocument ? 0 : -1;
    const found = [...new Set(findings.map(({ key }) => order.indexOf(key)))].sort((a, b) => step * (a - b));
    const next = found.find((place) => step * (place - at) > 0) ?? found[0];
    if (next === undefined) return;
    if (next === 0) this.openDocument(true);
    else await this.select(order[next]!, true);
  }

  /** Selects the next field that still needs an answer, or whose answer is not accepted. */
  async nextUnanswered(): Promise<void> {
    const order = this.order;
    const needs = order.filter((key) => {
      const state = this.nodes.get(key)?.state;
      return state?.type === "field" && (state.missing || state.problem !== null);
    });
    const at = this.selected ? order.indexOf(this.selected) : -1;
    const next = needs.find((key) => order.indexOf(key) > at) ?? needs[0];
    if (!next) return;
    await this.select(next, true);
    document.querySelector<HTMLElement>(`#i-${next} :is(input, textarea, select, button)`)?.focus();
  }

  /** From where threads are walked along, so that one can go through all that hang on it. */
  private anchor: { key: string; along: "follows" | "followers" } | null = null;

  /** Goes along the threads: to what the selected item follows, or to what follows it; again for the next one. */
  async walk(along: "follows" | "followers"): Promise<void> {
    if (!this.selected) return;
    const bond = (key: string) => this.nodes.get(key)?.bond[along] ?? [];
    const known = this.anchor?.along === along ? bond(this.anchor.key) : [];
    const at = known.indexOf(this.selected);
    if (at < 0 || known.length < 2) this.anchor = { key: this.selected, along };
    const list = at < 0 || known.length < 2 ? bond(this.selected) : known;
    const next = list[at < 0 || known.length < 2 ? 0 : (at + 1) % list.length];
    if (next && this.nodes.has(next)) await this.select(next, true);
  }

  /** Looks at the document at another stage, or as another role. */
  seeAs(stage: Stage, role: string): Promise<unknown> {
    this.stage = stage;
    this.role = role;
    return this.ask(async () => this.take(await request("PUT", `${this.base}/seen-as`, { stage, role })));
  }

  /** Types the answers of a trial in place of what is typed. */
  tryTrial(name: string): Promise<unknown> {
    this.rememberTried();
    return this.ask(async () => {
      await request("POST", `${this.base}/trial`, { name });
      await this.open();
    });
  }

  clearAnswers(): Promise<unknown> {
    this.rememberTried();
    this.answers = {};
    return this.ask(async () => this.take(await request("DELETE", `${this.base}/answers`)));
  }

  /** Whether there were other answers before, which can be had back. */
  get hasTriedBefore(): boolean {
    return triedBefore.has(this.template);
  }

  /** Types the answers again that others took the place of; these can be had back likewise. */
  async tryBefore(): Promise<void> {
    const before = triedBefore.get(this.template);
    if (!before) return;
    triedBefore.delete(this.template);
    const { answers, stage, role } = before;
    await this.tryExample({ answers, context: { today: "", stage, role } });
  }

  private rememberTried(): void {
    const answers = Object.fromEntries(Object.entries(this.answers).filter(([, typed]) => typed));
    if (Object.keys(answers).length)
      triedBefore.set(this.template, { answers, stage: this.stage, role: this.role });
  }

  private ask<T>(work: () => Promise<T>, edit: () => Edit | null = () => null): Promise<T | null> {
    this.pending++;
    const turn = this.queue.then(() => this.attempt(work, edit)).finally(() => this.pending--);
    this.queue = turn;
    return turn.then(async (outcome) => {
      if (!(outcome instanceof Failed)) return outcome;
      return (await outcome.decided) ? this.ask(work, edit) : null;
    });
  }

  /** How many places tell what was refused. */
  private tellers = $state(0);

  /** Whether what was refused is told beside what it is about. */
  get isTold(): boolean {
    return this.tellers > 0;
  }

  /** Counts a place that tells what was refused, until it is gone. */
  tells(): () => void {
    this.tellers = untrack(() => this.tellers) + 1;
    return () => this.tellers--;
  }

  /** Tries again what failed, in its order. */
  tryAgain(): void {
    this.decide(true);
  }

  /** Takes what was refused or failed as it is. */
  dismiss(): void {
    this.decide(false);
  }

  private decide(again: boolean): void {
    const failures = this.failures;
    this.failures = [];
    this.refused = null;
    for (const failed of failures) failed.decide(again);
  }

  private fail(message: string): Failed {
    const failed = new Failed();
    this.failures.push(failed);
    this.refused = { message, followers: [], anyway: null, failed: true };
    return failed;
  }

  /** Never rejects, so that what comes after goes on whatever became of this. */
  private async attempt<T>(work: () => Promise<T>, edit: () => Edit | null): Promise<T | null | Failed> {
    if (!this.failures.length) this.refused = null;
    try {
      return await this.made(work, edit);
    } catch (problem) {
      return this.fail(
        problem instanceof Problem
          ? problem.message
          : `This was not done: something went wrong in this page (${problem}). Try again.`,
      );
    }
  }

  /** Makes an edit, however long the server is away; null where it was refused. */
  private async made<T>(work: () => Promise<T>, edit: () => Edit | null): Promise<T | null> {
    for (let again = true; ;) {
      try {
        const result = await work();
        this.told = "";
        return result;
      } catch (problem) {
        if (!(problem instanceof Problem) || (problem.repeatable && !problem.passing)) throw problem;
        if (problem.passing) {
          this.told = "The server cannot be reached; your last edit is tried again.";
          await new Promise((resolve) => setTimeout(resolve, PAUSE));
          continue;
        }
        if (problem.status === 409) {
          if ((await this.untouched(edit())) && again) {
            again = false;
            continue;
          }
          this.told = problem.message;
        } else {
          this.refused = {
            message: problem.message,
            followers: problem.followers,
            anyway: withDropping(edit()),
            failed: false,
          };
        }
        return null;
      }
    }
  }

  /** Shows the document as somebody else left it; tells whether nothing that an edit is about has changed meanwhile. */
  private async untouched(edit: Edit | null): Promise<boolean> {
    const about = edit ? keysOf(edit) : [];
    const text = () => JSON.stringify(about.map((key) => this.nodes.get(key)?.node ?? null));
    const before = text();
    await this.open();
    return about.length > 0 && text() === before;
  }

  /** Shows what was edited elsewhere, unless something of one's own is on its way; called now and then. */
  async look(): Promise<void> {
    if (this.pending || document.hidden) return;
    const { revision } = await request<{ revision: number }>("GET", `${this.base}/revision`);
    if (revision <= this.revision || this.pending) return;
    await this.open();
    this.told = "Edited elsewhere; this is how it stands now.";
  }

  /** All that is selected, in reading order. */
  get chosen(): string[] {
    if (!this.selected) return [];
    return this.also.size
      ? this.order.filter((key) => key === this.selected || this.also.has(key))
      : [this.selected];
  }

  /** Selects a node besides, or not any more. */
  toggle(key: string): void {
    if (!this.selected || this.selected === key) this.selected = key;
    else if (this.also.has(key)) this.also.delete(key);
    else this.also.add(key);
  }

  /** Selects everything from the selected node to another. */
  extend(key: string): void {
    const order = this.order;
    const ends = [order.indexOf(this.selected ?? key), order.indexOf(key)].sort((a, b) => a - b) as [
      number,
      number,
    ];
    this.also.clear();
    for (const it of order.slice(ends[0], ends[1] + 1)) if (it !== this.selected) this.also.add(it);
    this.selected ??= key;
  }

  /** Keeps what is selected, to be put elsewhere. */
  copyChosen(): void {
    this.clip = this.chosen;
  }

  /** Puts a copy of what was kept behind what is selected; logic inside the copies follows the copies. */
  async paste(): Promise<void> {
    const keys = this.clip.filter((key) => this.nodes.has(key));
    const at = this.selected;
    if (!keys.length || !at) return;
    const into =
      this.nodes.get(at)?.node.type === "section" && this.nodes.get(keys[0]!)?.node.type !== "section";
    const place = into
      ? { holder: at, after: this.inside(at).at(-1) ?? null }
      : { holder: this.holder(at), after: at };
    await this.make({ type: "duplicate", keys, ...place });
  }

  /** Gives what is selected the conditions and looks of the first thing that was kept. */
  async pasteLogic(): Promise<void> {
    const from = this.clip[0];
    const to = this.chosen.filter((key) => key !== from);
    if (from && to.length) await this.edit({ type: "copyLogic", from, to });
  }

  /** Selects a node; `reveal` brings it into sight. */
  async select(key: string | null, reveal = false): Promise<void> {
    this.also.clear();
    if (key) this.ofDocument = false;
    if (key !== this.selected && !this.failures.length) this.refused = null;
    this.selected = key;
    if (!key || !reveal) return;
    await tick();
    // What comes into sight on the way takes up its real room only then.
    for (let frame = 0; frame < 4 && bringIntoSight(key); frame++)
      await new Promise((resolve) => requestAnimationFrame(resolve));
  }

  /** Every section and item in reading order. */
  get order(): string[] {
    return this.inside("").flatMap((page) => this.inside(page).flatMap((section) => this.within(section)));
  }

  /** Moves a node one place, over the end of its section into the next. */
  async move(key: string, step: -1 | 1): Promise<void> {
    const holder = this.holder(key);
    const siblings = this.inside(holder);
    const at = siblings.indexOf(key) + step;
    if (at >= 0 && at < siblings.length) {
      await this.edit({
        type: "move",
        key,
        holder,
        after: (step === 1 ? siblings[at] : siblings[at - 1]) ?? null,
      });
      return;
    }
    const neighbours = this.inside(this.holder(holder));
    const neighbour = neighbours[neighbours.indexOf(holder) + step];
    if (neighbour && this.nodes.get(key)?.node.type !== "section") {
      const last = this.inside(neighbour).at(-1) ?? null;
      await this.edit({ type: "move", key, holder: neighbour, after: step === 1 ? null : last });
    }
  }
}

/** Scrolls to an item; whether it had to. */
function bringIntoSight(key: string): boolean {
  const desk = document.getElementById("desk");
  const place = document.getElementById(`i-${key}`)?.getBoundingClientRect();
  const room = desk?.getBoundingClientRect();
  if (!desk || !place || !room) return false;
  if (place.top >= room.top + 20 && place.top <= room.top + room.height / 2) return false;
  const before = desk.scrollTop;
  desk.scrollTop += place.top - room.top - room.height / 4;
  return desk.scrollTop !== before;
}

/** The keys of the nodes that an edit is about. */
function keysOf(edit: Edit): string[] {
  const keys = "keys" in edit ? edit.keys : "key" in edit && typeof edit.key === "string" ? [edit.key] : [];
  return "holder" in edit && edit.holder ? [...keys, edit.holder] : keys;
}

function withDropping(edit: Edit | null): Edit | null {
  return edit && "dropFollowers" in edit ? { ...edit, dropFollowers: true } : null;
}
