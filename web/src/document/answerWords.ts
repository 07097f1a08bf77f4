import { answerType } from "../api/kinds";
import type { FieldKind } from "../api/types";
import { choicesOf, readChosen, readFiles } from "./answers";
import { day } from "../times";

/** An answer as it was typed, in the words of its field: labels for choices, names for files. */
export function answerWords(kind: FieldKind, typed: string): string {
  switch (answerType(kind)) {
    case "yesNo":
    case "choice":
    case "choices": {
      if (kind.type === "lookup") return typed;
      const { ids, words } = readChosen(typed);
      const choices = choicesOf(kind, null);
      const labels = ids.map((id) => choices.find((choice) => choice.id === id)?.label ?? id);
      return [...labels, ...(words ? [words] : [])].join(", ");
    }
    case "day":
      return /^\d{4}-\d\d-\d\d$/.test(typed) ? day(typed) : typed;
    case "files":
      return readFiles(typed)
        .map(({ name }) => name)
        .join(", ");
    case "signature":
      return "signed";
    case "payment":
      return "paid";
    case "text":
    case "number":
    case "time":
      return typed;
  }
}
