/**
 * Flowbite's components come with colours and sizes of their own, which are parts of its style sheet; ours come from
 * `look/`. A colour and a size that it does not know leave both out.
 */
export const NO_STOCK = { color: "none" as never, size: "none" as never };
