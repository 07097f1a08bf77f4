import type { DispatchRow, DispatchStanding } from "../api/types";

/** How a dispatch is, in words, and in which shade. */
export const STANDINGS: Record<DispatchStanding, { words: string; shade: string }> = {
  waiting: { words: "Waiting", shade: "river" },
  overdue: { words: "Overdue", shade: "ochre" },
  declined: { words: "Declined", shade: "clay" },
  withdrawn: { words: "Withdrawn", shade: "stone" },
  sealing: { words: "Being sealed", shade: "straw" },
  finished: { words: "Finished", shade: "moss" },
};

/** Whose turn it is, in words; empty where nobody is waited for. */
export function whose(row: DispatchRow): string {
  return row.standing === "waiting" || row.standing === "overdue"
    ? row.parties
        .filter(({ turn }) => turn === "acting")
        .map(({ name, title }) => `${name} (${title})`)
        .join(", ")
    : "";
}
