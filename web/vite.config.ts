import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import type { Plugin } from "vite";
import { defineConfig } from "vitest/config";

/**
 * Scripts and styles are packed once, at the build: the engraver's seven megabytes took the server half a second at
 * every request.
 */
function packed(): Plugin {
  return {
    name: "packed",
    apply: "build",
    generateBundle: {
      order: "post",
      async handler(_, bundle) {
        for (const [fileName, file] of Object.entries(bundle)) {
          if (!/\.(m?js|css|ttf|wasm)$/.test(fileName)) continue;
          const plain = new Blob([file.type === "chunk" ? file.code : (file.source as BlobPart)]);
          const source = await new Response(plain.stream().pipeThrough(new CompressionStream("gzip"))).arrayBuffer();
          this.emitFile({ type: "asset", fileName: `${fileName}.gz`, source: new Uint8Array(source) });
        }
      },
    },
  };
}

/**
 * The engraver's program lies in the text of its module; as a file of its own it is compiled while it arrives, and a
 * browser keeps it compiled. Nothing else of the module is changed.
 */
function engraverApart(): Plugin {
  const program = /binaryDecode\(('(?:[^'\\]|\\.)*')\)/s;
  const begun = "var binary=await getWasmBinary(binaryFile);var instance=await WebAssembly.instantiate(binary,imports)";
  return {
    name: "engraver-apart",
    apply: "build",
    transform(code, id) {
      if (!id.endsWith("/verovio-module.mjs")) return null;
      const [whole, literal] = program.exec(code) ?? [];
      if (!whole || !literal || !code.includes(begun)) throw new Error(`${id}: the engraver's program stands no longer where it stood; see engraverApart`);
      const text = new Function(`return ${literal}`)() as string;
      // As the module reads it: a character is a byte, the one after the last byte is nought.
      const source = Uint8Array.from(text, (char) => (~char.charCodeAt(0) >> 8) & char.charCodeAt(0));
      if (!WebAssembly.validate(source)) throw new Error(`${id}: what was taken for the engraver's program is none`);
      const file = this.emitFile({ type: "asset", name: "verovio.wasm", source });
      return code
        .replace(whole, () => `import.meta.ROLLUP_FILE_URL_${file}`)
        .replace(begun, () => "var instance=await WebAssembly.instantiateStreaming(fetch(binaryFile),imports)");
    },
  };
}

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    packed(),
    // The application's own files for a stand with the server away; registered only where an evening is kept.
    VitePWA({
      registerType: "autoUpdate",
      injectRegister: null,
      manifest: {
        name: "Zapateo",
        short_name: "Zapateo",
        description: "A left hand for every song, and the song on the music stand",
        start_url: "/",
        display: "standalone",
        background_color: "#f4efe4",
        theme_color: "#f4efe4",
        icons: [{ src: "/mark.svg", sizes: "any", type: "image/svg+xml" }],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,woff2,wasm,ttf}"],
        globIgnores: ["sounds/**", "licences/**"],
        maximumFileSizeToCacheInBytes: 16 << 20,
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api\//, /^\/actuator\//, /^\/sounds\//, /^\/licences\//],
      },
    }),
  ],
  worker: { format: "es", plugins: () => [engraverApart()] },
  build: {
    target: "es2022",
    chunkSizeWarningLimit: 8000,
    assetsInlineLimit: 0,
    // What is bundled, with its licence, told by the build.
    license: { fileName: "licences/PAGE.md" },
  },
  server: { host: "127.0.0.1", proxy: { "/api": { target: "http://127.0.0.1:8080", changeOrigin: false } } },
  test: { environment: "jsdom", globals: true, setupFiles: "src/test-setup.ts", css: false, testTimeout: 120_000, hookTimeout: 120_000, maxWorkers: "100%" },
});
