import { request } from "../api/http";
import type { Draft } from "../api/types";

/** After this long, in milliseconds, what was asked for beforehand is asked for anew: somebody may have edited it. */
const FRESH = 10_000;

type Begun = { path: string; draft: Promise<Draft>; at: number };

let begun: Begun | null = null;

const pathOf = (template: string) => `/api/templates/${template}/draft`;

/** Asks for a draft while the page that shows it is still on its way: on a long document the server takes as long as that. */
export function beginDraft(template: string): void {
  const path = pathOf(template);
  if (waiting(path)) return;
  const own: Begun = { path, draft: request<Draft>("GET", path), at: performance.now() };
  begun = own;
  // Who takes it is told; where nobody has, it is asked for anew.
  own.draft.catch(() => {
    if (begun === own) begun = null;
  });
}

/** The draft as it stands, for its page: the one that was begun, once, or else asked for now. */
export function takeDraft(template: string): Promise<Draft> {
  const path = pathOf(template);
  const own = waiting(path);
  begun = null;
  return own ? own.draft : request<Draft>("GET", path);
}

function waiting(path: string): Begun | null {
  return begun?.path === path && performance.now() - begun.at < FRESH ? begun : null;
}
