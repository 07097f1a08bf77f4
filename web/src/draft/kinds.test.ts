import { expect, test } from "vitest";
import { likeliest, offers } from "./kinds";

test.each([
  ["Rating of our service", "rating"],
  ["How satisfied were you?", "rating"],
  ["Please rate the workshop", "rating"],
  ["Day rate", "money"],
  ["Deposit, EUR", "money"],
  ["Costs of the well", "money"],
  ["Planned depth, m", "number"],
  ["Number of people", "number"],
  ["Share of clay, %", "number"],
  ["Date of birth", "date"],
  ["Deadline", "date"],
  ["Begins at (time)", "time"],
  ["Is the site fenced?", "yesNo"],
  ["Which pump? Hand / Motor", "oneChoice"],
  ["Your e-mail", "email"],
  ["Mobile", "phone"],
  ["Remarks", "longText"],
  ["Serial number", "text"],
  ["Name", "text"],
])("%s is most likely a %s", (label, kind) => {
  expect(likeliest(label)).toBe(kind);
  expect(offers(label, []).find(({ named }) => !named)?.id).toBe(kind);
});

test.each([
  ["E-mail address", "email"],
  ["rating", "rating"],
  ["Date", "date"],
  ["Signature", "signature"],
])("%s typed in full is the label of a %s", (label, kind) =>
  expect(offers(label, [])[0]).toMatchObject({ id: kind, named: false }),
);

test.each([
  ["sec", "section"],
  ["Section", "section"],
  ["divider", "divider"],
  ["e-ma", "email"],
])("%s names the kind %s", (typed, kind) =>
  expect(offers(typed, [])[0]).toMatchObject({ id: kind, named: true }),
);

test("every kind stays in reach, once", () => {
  for (const typed of ["Date", "da", "Rating of us", "x"]) {
    const ids = offers(typed, []).map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.length).toBe(28);
  }
});
