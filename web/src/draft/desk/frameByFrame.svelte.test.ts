import { flushSync } from "svelte";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { FrameByFrame } from "./frameByFrame.svelte";

describe("something long, made frame by frame", () => {
  let frames: (() => void)[] = [];
  beforeEach(() => {
    frames = [];
    vi.stubGlobal("requestAnimationFrame", (frame: () => void) => frames.push(frame));
    vi.stubGlobal("cancelAnimationFrame", () => {});
  });
  afterEach(() => vi.unstubAllGlobals());

  /** One frame of the browser; whether anything waited for it. */
  function frame(): boolean {
    const next = frames.pop();
    next?.();
    flushSync();
    return !!next;
  }

  function made(all: () => number, step: number): { parts: FrameByFrame; end: () => void } {
    let parts!: FrameByFrame;
    const end = $effect.root(() => {
      parts = new FrameByFrame(all, step);
    });
    flushSync();
    return { parts, end };
  }

  it("begins with some and goes on until all are made", () => {
    const { parts, end } = made(() => 10, 4);
    expect(parts.made).toBe(4);
    expect(frame()).toBe(true);
    expect(parts.made).toBe(8);
    expect(frame()).toBe(true);
    expect(parts.made).toBeGreaterThanOrEqual(10);
    expect(frame()).toBe(false);
    end();
  });

  it("waits for no frame where all are made at once", () => {
    const { end } = made(() => 4, 4);
    expect(frame()).toBe(false);
    end();
  });

  it("goes on when there is more", () => {
    let all = $state(4);
    const { parts, end } = made(() => all, 4);
    all = 6;
    flushSync();
    expect(frame()).toBe(true);
    expect(parts.made).toBeGreaterThanOrEqual(6);
    end();
  });
});
