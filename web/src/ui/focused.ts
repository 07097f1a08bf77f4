/** Attached to what is to be written in, or pressed, as soon as it is there. */
export const focused = (node: Element): void => (node as HTMLElement).focus({ preventScroll: true });
