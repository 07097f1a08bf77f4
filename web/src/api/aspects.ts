// Made from the Java types by ./loesscape types; do not edit.

import type { Aspect, Node } from "./types";

/** What there is to know of an aspect: how it is called, whether it is so where no condition drives it, and what has it. */
export type AspectFacts = { title: string; plainDefault: boolean; nodes: Node["type"][] };

export const ASPECTS: Record<Aspect, AspectFacts> = {
  shown: {
    title: "Shown",
    plainDefault: true,
    nodes: ["page", "field", "notice", "indicator", "picture", "divider", "overlay", "section"],
  },
  required: {
    title: "Required",
    plainDefault: false,
    nodes: ["field"],
  },
  editable: {
    title: "Editable",
    plainDefault: true,
    nodes: ["field"],
  },
  open: {
    title: "Opened out",
    plainDefault: true,
    nodes: ["section"],
  },
};

/** The aspects that a node has, in the order in which they are spoken of. */
export function aspectsOf(node: Node): Aspect[] {
  return (Object.keys(ASPECTS) as Aspect[]).filter((aspect) => ASPECTS[aspect].nodes.includes(node.type));
}
