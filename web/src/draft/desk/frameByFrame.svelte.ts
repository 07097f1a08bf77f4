/** How many parts of something long are made so far: those in sight at once, the others behind them as the browser has time. */
export class FrameByFrame {
  #made = $state(0);

  /** @param all how many parts there are; @param step how many are made at once, and in each frame */
  constructor(all: () => number, step: number) {
    this.#made = step;
    $effect(() => {
      if (this.#made >= all()) return;
      const frame = requestAnimationFrame(() => (this.#made += step));
      return () => cancelAnimationFrame(frame);
    });
  }

  get made(): number {
    return this.#made;
  }
}
