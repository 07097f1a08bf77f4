import type { TriedClause } from "../api/types";

/** What no trial has shown of a clause yet. */
export function missing({ isMet, isNotMet, decidesMet, decidesNotMet }: TriedClause): string {
  if (!isMet && !isNotMet) return "in no trial";
  if (!isMet) return "never met";
  if (!isNotMet) return "always met";
  if (!decidesMet && !decidesNotMet) return "never decides by itself";
  return decidesMet
    ? "never decides by itself where it is not met"
    : "never decides by itself where it is met";
}

/** A share as people say it: all of it only where it is all of it. */
export function percent(part: number, of: number): string {
  if (of === 0) return "none to try";
  return part === of ? "all" : `${Math.min(99, Math.round((100 * part) / of))} %`;
}

/** What is not tried, by what it is about, in the order of the document. */
export function byItem(untried: TriedClause[]): [string, TriedClause[]][] {
  const groups = new Map<string, TriedClause[]>();
  for (const clause of untried) {
    const about = clause.key || clause.what;
    groups.set(about, [...(groups.get(about) ?? []), clause]);
  }
  return [...groups];
}
