import { Problem, request } from "../api/http";
import type { AtTheDesk, IdentityAnswer, IdentityAsked, OpenTurn, TurnEnded } from "../api/types";
import { rememberPayer } from "./payer";
import { Filling } from "../fill/filling.svelte";

const NOT_IDENTIFIED = "/problems/not-identified";

/** One person's turn in a dispatch: a document in which only that person's own fields are open. */
export class Turn extends Filling {
  about = $state<OpenTurn | null>(null);
  /** What is asked of this person before the document opens; null where nothing is, or no more. */
  identity = $state<IdentityAsked | null>(null);
  /** How it ended in this window; empty while it goes on. */
  ended = $state<"" | "finished" | "declined" | "handed on">("");

  constructor(link: string) {
    super(link, `/api/sign/${link}`);
  }

  override async open(): Promise<void> {
    let turn: OpenTurn;
    try {
      turn = await request<OpenTurn>("GET", this.base);
    } catch (problem) {
      if (!(problem instanceof Problem) || problem.type !== NOT_IDENTIFIED) throw problem;
      this.identity = await request<IdentityAsked>("GET", `${this.base}/identity`);
      return;
    }
    this.begun(turn);
    this.identity = null;
    // Where this fails, agreeing says it.
    if (!turn.hasOpened) void request<void>("POST", `${this.base}/opened`).catch(() => undefined);
  }

  private begun(turn: OpenTurn): void {
    this.about = turn;
    this.owned = turn.owned;
    this.concerns = new Set(turn.mine);
    this.begin(turn.sheet);
  }

  /** Has a code sent. */
  async sendCode(): Promise<void> {
    this.identity = await request<IdentityAsked>("POST", `${this.base}/identity/code`);
  }

  /** Gives a code or a phrase, and tells what is wrong with it; where nothing is, the document is open. */
  async identify(given: string): Promise<string> {
    const { shown, problem } = await request<IdentityAnswer>("POST", `${this.base}/identity`, { given });
    if (shown) await this.open();
    return problem;
  }

  async consent(): Promise<void> {
    this.begun(await request<OpenTurn>("POST", `${this.base}/consent`));
  }

  protected override async tryToFinish(): Promise<void> {
    const ended = await request<TurnEnded>("POST", `${this.base}/finish`);
    this.sheet!.obstacles = ended.obstacles;
    if (ended.finished) this.ended = "finished";
  }

  async decline(because: string): Promise<void> {
    await request<void>("POST", `${this.base}/decline`, { because });
    this.ended = "declined";
  }

  async handOn(to: { name: string; address: string; phone: string }, because: string): Promise<void> {
    await request<void>("POST", `${this.base}/delegate`, { ...to, because });
    this.ended = "handed on";
  }

  /** Goes to the payment desk, once everything that was typed is kept. */
  override async pay(at: string): Promise<void> {
    await this.allSent();
    const { path } = await request<AtTheDesk>("POST", `${this.base}/payments/${encodeURIComponent(at)}`);
    rememberPayer(path);
    location.assign(path);
  }
}
