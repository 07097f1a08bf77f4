import { mount } from "svelte";
import App from "./App.svelte";
import Uncaught from "./document/Uncaught.svelte";
import { uncaught } from "./document/uncaught.svelte";
import "./look/author.css";

uncaught.watch(window);
mount(Uncaught, { target: document.body });
mount(App, { target: document.getElementById("app")! });
