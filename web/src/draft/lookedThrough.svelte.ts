import type { WorkingCopy } from "./workingCopy.svelte";

const QUIET = 600;

/** Has a working copy looked through for all possible answers when nobody types any more; edits never wait for it. */
export function lookedThrough(copy: WorkingCopy): void {
  $effect(() => {
    // A document that was never edited is looked through too, once it is there.
    if (!copy.answered || copy.pending || copy.isProven) return;
    const look = setTimeout(() => void copy.lookThrough(), QUIET);
    return () => clearTimeout(look);
  });
}
