import { fade, slide, type TransitionConfig } from "svelte/transition";
import type { Folding } from "../api/types";

const USUAL = 200;

/** How something leaves and comes back; at once for a reader who prefers reduced motion (WCAG 2.2, 2.3.3). */
export function folds(node: Element, folding: Folding): TransitionConfig {
  if (folding.motion === "none" || matchMedia("(prefers-reduced-motion: reduce)").matches)
    return { duration: 0 };
  const duration = folding.milliseconds || USUAL;
  return folding.motion === "slide" ? slide(node, { duration }) : fade(node, { duration });
}
