import { getContext, setContext } from "svelte";
import type { WorkingCopy } from "./workingCopy.svelte";

const KEY = Symbol("working copy");

export function provide(copy: WorkingCopy): WorkingCopy {
  return setContext(KEY, copy);
}

/** The working copy that the Draft view is about. */
export function workingCopy(): WorkingCopy {
  return getContext(KEY);
}
