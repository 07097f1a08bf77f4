/**
 * What a button looks like. Those that begin with "token" are the pieces of a sentence that can be changed; "bare" has
 * no look of its own, for what is drawn where it stands.
 */
export const BUTTON_LOOKS = {
  usual: "button",
  primary: "button primary",
  grave: "button grave",
  quiet: "button quiet",
  /** The one thing to do, where gold would say too much. */
  spruce: "button spruce",
  "on spruce": "button on-spruce",
  link: "link",
  "grave link": "link grave",
  underlined: "underlined",
  bare: "bare",
  token: "token plain",
  "token field": "token field",
  "token value": "token value",
  "token add": "token add",
  "token faint": "token faint",
  "token blank": "token blank",
} as const;

export type ButtonLook = keyof typeof BUTTON_LOOKS;

/** What is typed into looks like; "bare" as for buttons. */
export const INPUT_LOOKS = {
  usual: "text-input",
  cell: "cell",
  bare: "",
  token: "token plain",
  "token value": "token value",
  "token add": "token add",
  "token faint": "token faint",
  "token figure": "token figure",
} as const;

export type InputLook = keyof typeof INPUT_LOOKS;

/** What has to be known now looks like: within a line, in a frame, and, where nothing is wrong, what came of something. */
export const ALERT_LOOKS = {
  line: "trouble",
  framed: "rounded-md border border-clay bg-clay-tint px-3 py-2 text-ink",
  note: "rounded-md border border-gold-deep bg-straw px-4 py-3 text-ink",
  done: "w-fit rounded-md border bg-moss-tint px-4 py-2 text-ink",
} as const;

export type AlertLook = keyof typeof ALERT_LOOKS;

/** How high a control is: within a line of text, as usual, beside others in a form, for a thumb. */
export type ControlSize = "low" | "usual" | "tall" | "large";
