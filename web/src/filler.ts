import { mount } from "svelte";
import Uncaught from "./document/Uncaught.svelte";
import { uncaught } from "./document/uncaught.svelte";
import "./look/filler.css";

/** The pages of those who have no account, by the first part of the address; each is loaded only where it is needed. */
const PAGES = {
  fill: () => import("./fill/Fill.svelte"),
  sign: () => import("./sign/Sign.svelte"),
  signed: () => import("./sign/Finished.svelte"),
  open: () => import("./sign/Begin.svelte"),
  desk: () => import("./sign/PaymentDesk.svelte"),
  verify: () => import("./sign/Verify.svelte"),
};

uncaught.watch(window);
mount(Uncaught, { target: document.body });

const page = location.pathname.split("/")[1] as keyof typeof PAGES;
const { default: Page } = await (PAGES[page] ?? PAGES.fill)();
mount(Page, { target: document.getElementById("app")! });
