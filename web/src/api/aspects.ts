// Made from the Java types by ./loesscape types; do not edit.

import type { Aspect, Node } from "./types";

/**
 * What there is to know of an aspect: how it is called, what a node is otherwise, what is said to have it so, whether
 * it is so where no condition drives it, and what has it.
 */
export type AspectFacts = {
  title: string;
  otherwise: string;
  wish: string;
  plainDefault: boolean;
  nodes: Node["type"][];
};

export const ASPECTS: Record<Aspect, AspectFacts> = {
  shown: {
    title: "Shown",
    otherwise: "folded",
    wish: "Make it show",
    plainDefault: true,
    nodes: ["page", "field", "notice", "indicator", "picture", "divider", "overlay", "section"],
  },
  required: {
    title: "Required",
    otherwise: "optional",
    wish: "Require it",
    plainDefault: false,
    nodes: ["field"],
  },
  editable: {
    title: "Editable",
    otherwise: "locked",
    wish: "Unlock it",
    plainDefault: true,
    nodes: ["field"],
  },
  open: {
    title: "Opened out",
    otherwise: "closed",
    wish: "Open it out",
    plainDefault: true,
    nodes: ["section"],
  },
};

/** The aspects that a node has, in the order in which they are spoken of. */
export function aspectsOf(node: Node): Aspect[] {
  return (Object.keys(ASPECTS) as Aspect[]).filter((aspect) => ASPECTS[aspect].nodes.includes(node.type));
}
