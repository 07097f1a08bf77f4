import { svelte } from "@sveltejs/vite-plugin-svelte";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vitest/config";
import { bundleLimit } from "./bundleLimit";

export default defineConfig(({ mode }) => ({
  // Those who fill in and sign have to be able to begin at once, on a phone.
  plugins: [tailwindcss(), svelte(), bundleLimit("filler", 60)],
  build: {
    // Fonts and pictures stay files: the content security policy does not allow them inside style sheets.
    assetsInlineLimit: 0,
    rollupOptions: {
      output: {
        // What all pages of authors stand on comes at once: one wait, not one for each component.
        codeSplitting: {
          includeDependenciesRecursively: false,
          groups: [
            {
              name: "ui",
              test: /\/src\/ui\/(?!light|looks)|\/(flowbite-svelte|tailwind-(variants|merge))\//,
            },
          ],
        },
      },
      input: { author: "index.html", filler: "fill.html" },
      // Flowbite's components name their whole library and do not say that what is not used may be left out.
      treeshake: { moduleSideEffects: (id) => !id.includes("/node_modules/flowbite-svelte/") },
    },
  },
  // Tests run what a browser runs, not what a server would.
  resolve: mode === "test" ? { conditions: ["browser"] } : undefined,
  // One page for all files takes a quarter of the time of one page each; each test clears what it has put there.
  test: {
    environment: "jsdom",
    isolate: false,
    setupFiles: ["src/testing/browser.ts"],
    include: ["src/**/*.test.ts"],
  },
  server: { proxy: { "/api": "http://localhost:8080" } },
}));
