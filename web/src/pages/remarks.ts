/** Something to say of a document, by its number. */
export type Remark = { number: number; sentence: string };

/** A sentence with all the documents it is said of. */
export type SaidOf = { sentence: string; numbers: string };

/** Each sentence once, in the order in which they are first said, with the numbers of all documents it is said of. */
export function saidOnce(remarks: Remark[]): SaidOf[] {
  const numbers = new Map<string, number[]>();
  for (const { number, sentence } of remarks)
    numbers.set(sentence, [...(numbers.get(sentence) ?? []), number]);
  return [...numbers].map(([sentence, all]) => ({ sentence, numbers: ranges(all) }));
}

/** Numbers that rise, with those that follow each other drawn together: 1 to 3, 5, 8. */
export function ranges(numbers: number[]): string {
  const parts: string[] = [];
  for (let from = 0; from < numbers.length;) {
    let to = from;
    while (numbers[to + 1] === numbers[to]! + 1) to++;
    parts.push(to > from ? `${numbers[from]} to ${numbers[to]}` : `${numbers[from]}`);
    from = to + 1;
  }
  return parts.join(", ");
}
