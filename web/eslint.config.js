import js from "@eslint/js";
import svelte from "eslint-plugin-svelte";
import globals from "globals";
import typescript from "typescript-eslint";
import svelteConfig from "./svelte.config.js";

/** Elements that have a component of ours, which looks as everything else and is found by keys. */
const raw = (elements) => ({
  selector: `SvelteElement[kind="html"][name.name=/^(${elements})$/]`,
  message: "Use the component of `ui/` for it: how a control looks and behaves is decided there.",
});
const SIZES = {
  selector: "SvelteLiteral[value=/\\btext-\\[\\d/]",
  message: "Use a size of the scale in `look/tokens.css`, such as text-note or text-reading.",
};

export default typescript.config(
  { ignores: ["dist/", "target/", "src/api/types.ts", "src/api/kinds.ts"] },
  js.configs.recommended,
  ...typescript.configs.recommended,
  ...svelte.configs.recommended,
  { languageOptions: { globals: { ...globals.browser } } },
  {
    files: ["**/*.svelte", "**/*.svelte.ts"],
    languageOptions: {
      parserOptions: { parser: typescript.parser, extraFileExtensions: [".svelte"], svelteConfig },
    },
  },
  {
    rules: {
      // The compiler says what is not used, with the same exceptions.
      "@typescript-eslint/no-unused-vars": "off",
      "no-undef": "off",
      eqeqeq: "error",
      "no-console": "error",
      // Maps and sets that are made anew for each state, and not changed.
      "svelte/prefer-svelte-reactivity": "off",
      // A blank at the end of a line is written so that it stays.
      "svelte/no-useless-mustaches": "off",
      // Our own router is small: its links are links, and its pages are told what they are about.
      "svelte/no-navigation-without-resolve": "off",
    },
  },
  {
    files: ["src/**/*.svelte"],
    rules: { "svelte/no-at-html-tags": "error", "no-restricted-syntax": ["error", SIZES] },
  },
  {
    files: [
      "src/pages/**/*.svelte",
      "src/draft/**/*.svelte",
      "src/prove/**/*.svelte",
      "src/reach/**/*.svelte",
    ],
    rules: { "no-restricted-syntax": ["error", SIZES, raw("button|input|select|table|dialog")] },
  },
  {
    // The controls of the document itself are its own; what is around them is not.
    files: ["src/fill/**/*.svelte", "src/sign/**/*.svelte", "src/document/**/*.svelte"],
    rules: { "no-restricted-syntax": ["error", SIZES, raw("button|table|dialog")] },
  },
);
