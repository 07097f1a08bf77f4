import { svelte } from "@sveltejs/vite-plugin-svelte";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vitest/config";

export default defineConfig(({ mode }) => ({
  plugins: [tailwindcss(), svelte()],
  build: {
    // Fonts and pictures stay files: the content security policy does not allow them inside style sheets.
    assetsInlineLimit: 0,
    rollupOptions: { input: { author: "index.html", filler: "fill.html" } },
  },
  // Tests run what a browser runs, not what a server would.
  resolve: mode === "test" ? { conditions: ["browser"] } : undefined,
  test: { environment: "jsdom", include: ["src/**/*.test.ts"] },
  server: { proxy: { "/api": "http://localhost:8080" } },
}));
