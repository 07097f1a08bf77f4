// Fills in PDF forms as pdf.js does for its readers, in its own sandbox, and tells how their fields stand after each case.
// In: a file with a form in each line, {pdf, cases: [[[name, kind, value], ...], ...]}. Out: a line for each case.
import fs from "node:fs";
import { getDocument } from "../../../../web/node_modules/pdfjs-dist/legacy/build/pdf.mjs";
import { parse } from "../../../../web/node_modules/acorn/dist/acorn.mjs";
import { QuickJSSandbox } from "../../../../web/node_modules/pdfjs-dist/legacy/build/pdf.sandbox.mjs";

let state = new Map();
const errors = [];

globalThis.window = globalThis;
globalThis.addEventListener = () => {};
globalThis.dispatchEvent = ({ detail }) => {
  if (detail.command === "println" || detail.command === "error" || detail.command === "alert") {
    errors.push(String(detail.value));
    return true;
  }
  for (const id of [detail.id, ...(detail.siblings ?? [])]) {
    if (id !== undefined && state.has(id)) Object.assign(state.get(id), detail, { id });
  }
  return true;
};
console.warn = console.log = (text) => errors.push(String(text));

async function opened(path) {
  const pdf = await getDocument({ data: new Uint8Array(fs.readFileSync(path)), isEvalSupported: false }).promise;
  const [objects, order, actions] = [await pdf.getFieldObjects(), await pdf.getCalculationOrderIds(), await pdf.getJSActions()];
  // Readers of every age have to take it.
  Object.values(actions).flat().forEach((script) => parse(script, { ecmaVersion: 3 }));
  state = new Map();
  const byName = new Map();
  for (const [name, widgets] of Object.entries(objects)) {
    byName.set(name, widgets);
    for (const each of widgets) {
      if (each.id) {
        state.set(each.id, {
          name, type: each.type, display: each.hidden ? 1 : 0, readonly: !!each.readonly, required: !!each.required,
          value: each.value, items: each.items ?? null,
        });
      }
    }
  }
  const sandbox = await QuickJSSandbox(true);
  sandbox.create({
    objects, calculationOrder: order,
    appInfo: { platform: "linux", language: "en-GB" },
    docInfo: { actions, filename: "form.pdf", filesize: 1, numPages: pdf.numPages, URL: "http://localhost/form.pdf", baseURL: "", info: {}, metadata: null },
  });
  sandbox.dispatchEvent({ id: "doc", name: "Open" });
  await pdf.destroy();
  return { sandbox, byName };
}

/** What the page itself keeps of marks and lists; only texts come back from the sandbox. */
function keep(widgets, value) {
  widgets.forEach((each) => {
    if (state.has(each.id)) state.get(each.id).value = value;
  });
}

function fill({ sandbox, byName }, [name, kind, value]) {
  const widgets = byName.get(name);
  // What is never shown has no field.
  if (!widgets) return;
  const real = widgets.filter((each) => each.id && each.type);
  const first = real[0];
  if (kind === "text") {
    sandbox.dispatchEvent({ id: first.id, name: "Keystroke", value, willCommit: true, commitKey: 1, selStart: 0, selEnd: 0, change: "", changeEx: "" });
  } else if (first.type === "combobox") {
    const items = state.get(first.id).items ?? [];
    if (!items.some((each) => each.exportValue === value)) return;
    keep(real, value);
    sandbox.dispatchEvent({ id: first.id, name: "Keystroke", value: "", change: value, changeEx: value, willCommit: false, commitKey: 1 });
    sandbox.dispatchEvent({ id: first.id, name: "Action", value });
  } else {
    // One of several marks, also where its choices hang on another answer; there is no mark for what is not among them.
    const one = kind === "mark" ? first : real.find((each) => each.exportValues === value);
    if (!one) return;
    keep(real, value);
    sandbox.dispatchEvent({ id: one.id, name: "Action", value: kind === "mark" ? value : true });
  }
}

function told() {
  const fields = {};
  for (const each of state.values()) {
    fields[each.name] = [each.display === 0, each.readonly, each.required, each.value ?? ""];
  }
  return fields;
}

const write = (text) => fs.writeSync(1, text + "\n");
for (const line of fs.readFileSync(process.argv[2], "utf8").split("\n").filter(Boolean)) {
  const { pdf, cases } = JSON.parse(line);
  const form = await opened(pdf);
  for (const each of cases) {
    errors.length = 0;
    each.forEach((one) => fill(form, one));
    write(JSON.stringify({ fields: told(), errors }));
  }
  form.sandbox.nukeSandbox();
}
