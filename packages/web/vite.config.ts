import { fileURLToPath } from "node:url";
import vue from "@vitejs/plugin-vue";
import { ElementPlusResolver } from "unplugin-vue-components/resolvers";
import components from "unplugin-vue-components/vite";
import { defineConfig } from "vite";
import { compression } from "vite-plugin-compression2";

export default defineConfig({
  plugins: [
    vue(),
    // Packed once here, not by the server at every visit.
    compression({ algorithms: ["gzip", "brotliCompress"], include: /\.(js|css|svg)$/, threshold: 1_000 }),
    components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: process.env["VITEST"] ? false : "css" })] }),
  ],
  // The contract's schemas are checked by the server; the browser has no use for the library they are written with.
  resolve: process.env["VITEST"]
    ? {}
    : { alias: { "@sinclair/typebox": fileURLToPath(new URL("src/api/no-schemas.ts", import.meta.url)) } },
  build: { target: "es2022", sourcemap: false, chunkSizeWarningLimit: 900 },
  server: { proxy: { "/api": "http://127.0.0.1:4150" } },
});
