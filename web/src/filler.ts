import { mount } from "svelte";
import Fill from "./fill/Fill.svelte";
import "./look/filler.css";

mount(Fill, { target: document.getElementById("app")! });
