import { expect, test } from "vitest";
import { KINDS } from "../api/kinds";
import type { FieldKind } from "../api/types";
import { answerWords } from "./answerWords";

const choices = [
  { id: "pvc", label: "PVC, grey", stored: "" },
  { id: "steel", label: "Steel", stored: "" },
];
const one = { ...KINDS.oneChoice.start, choices } as FieldKind;
const several = { ...KINDS.severalChoices.start, choices } as FieldKind;

test.each([
  [KINDS.text.start, "Lind, Ida", "Lind, Ida"],
  [KINDS.number.start, "1,5", "1,5"],
  [KINDS.yesNo.start, "yes", "Yes"],
  [KINDS.yesNo.start, "no", "No"],
  [one, "pvc", "PVC, grey"],
  [one, "gone", "gone"],
  [one, "=of oak, mostly", "of oak, mostly"],
  [several, "steel,pvc,=oak", "Steel, PVC, grey, oak"],
  [KINDS.lookup.start, "Brink, Loos", "Brink, Loos"],
  [KINDS.date.start, "2027-03-01", "1 Mar 2027"],
  [KINDS.date.start, "soon", "soon"],
  [KINDS.time.start, "07:30", "07:30"],
  [KINDS.attachment.start, "a1 2000 plan of the site.pdf\nb2 10 two.png", "plan of the site.pdf, two.png"],
  [KINDS.signature.start, "0f3a", "signed"],
])("%o answered %s is %s", (kind, typed, words) => {
  expect(answerWords(kind, typed)).toBe(words);
});
