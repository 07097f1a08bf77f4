import { gzipSync } from "node:zlib";
import type { Plugin } from "vite";

/** Fails the build where a page of an entry would load more script than a phone on a weak line should have to. */
export function bundleLimit(entry: string, mostKilobytes: number): Plugin {
  return {
    name: "bundle-limit",
    generateBundle(_, bundle) {
      const chunks = new Map(
        Object.values(bundle).flatMap((it) => (it.type === "chunk" ? [[it.fileName, it] as const] : [])),
      );
      const withImports = (file: string, found = new Set<string>()): Set<string> => {
        if (found.has(file)) return found;
        found.add(file);
        for (const next of chunks.get(file)?.imports ?? []) withImports(next, found);
        return found;
      };
      const begun = [...chunks.values()].find((it) => it.isEntry && it.name === entry);
      if (!begun) this.error(`There is no entry called ${entry}.`);
      for (const page of begun.dynamicImports) {
        const all = withImports(page, withImports(begun.fileName));
        const bytes = [...all].reduce((sum, file) => sum + gzipSync(chunks.get(file)?.code ?? "").length, 0);
        const told = `${page} loads ${(bytes / 1000).toFixed(1)} KB of script, compressed`;
        if (bytes > mostKilobytes * 1000) this.error(`${told}; at most ${mostKilobytes} are allowed.`);
        this.info(told);
      }
    },
  };
}
