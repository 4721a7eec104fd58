import vue from "@vitejs/plugin-vue";
import { ElementPlusResolver } from "unplugin-vue-components/resolvers";
import components from "unplugin-vue-components/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [
    vue(),
    components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: process.env["VITEST"] ? false : "css" })] }),
  ],
  build: { target: "es2022", sourcemap: false, chunkSizeWarningLimit: 900 },
  server: { proxy: { "/api": "http://127.0.0.1:4150" } },
});
