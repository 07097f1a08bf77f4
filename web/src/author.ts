import { mount } from "svelte";
import App from "./App.svelte";
import "./look/author.css";

mount(App, { target: document.getElementById("app")! });
