import { request } from "../api/http";
import type { AtTheDesk, OpenTurn, TurnEnded } from "../api/types";
import { rememberPayer } from "./payer";
import { Filling } from "../fill/filling.svelte";

/** One person's turn in a dispatch: a document in which only that person's own fields are open. */
export class Turn extends Filling {
  about = $state<OpenTurn | null>(null);
  /** How it ended in this window; empty while it goes on. */
  ended = $state<"" | "finished" | "declined" | "handed on">("");

  constructor(link: string) {
    super(link, `/api/sign/${link}`);
  }

  override async open(): Promise<void> {
    const turn = await request<OpenTurn>("GET", this.base);
    this.begun(turn);
    // Where this fails, agreeing says it.
    if (!turn.hasOpened) void request<void>("POST", `${this.base}/opened`).catch(() => undefined);
  }

  private begun(turn: OpenTurn): void {
    this.about = turn;
    this.owned = new Set(turn.owned);
    this.concerns = new Set(turn.mine);
    this.begin(turn.sheet);
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

  async handOn(name: string, address: string, because: string): Promise<void> {
    await request<void>("POST", `${this.base}/delegate`, { name, address, because });
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
