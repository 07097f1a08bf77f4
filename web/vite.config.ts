import { svelte } from "@sveltejs/vite-plugin-svelte";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [tailwindcss(), svelte()],
  build: {
    // Fonts and pictures stay files: the content security policy does not allow them inside style sheets.
    assetsInlineLimit: 0,
    rollupOptions: { input: { author: "index.html", filler: "fill.html" } },
  },
  server: { proxy: { "/api": "http://localhost:8080" } },
});
