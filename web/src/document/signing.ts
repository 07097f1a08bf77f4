/** The name under which what was signed with before is found, by kind. */
export const ADOPTED = Symbol("adopted");

/** The name under which the way to the payment desk is found: a function that is given the address of a field. */
export const PAY = Symbol("pay");
