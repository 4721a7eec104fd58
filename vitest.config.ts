import vue from "@vitejs/plugin-vue";
import { ElementPlusResolver } from "unplugin-vue-components/resolvers";
import components from "unplugin-vue-components/vite";
import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: "unit",
          // Everything here is pure: files share what they import, and need no process of their own.
          isolate: false,
          pool: "threads",
          maxWorkers: 2,
          include: ["packages/{core,formats,cli,contract}/src/**/*.test.ts", "packages/server/src/demo/workshop.test.ts"],
          environment: "node",
          testTimeout: 20_000,
        },
      },
      {
        plugins: [vue(), components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: false })] })],
        test: {
          name: "web",
          pool: "threads",
          maxWorkers: 2,
          include: ["packages/web/src/**/*.test.ts"],
          environment: "jsdom",
          testTimeout: 20_000,
          environmentOptions: { jsdom: { url: "http://127.0.0.1/" } },
        },
      },
      {
        test: {
          name: "api",
          include: ["packages/server/src/**/*.test.ts"],
          exclude: ["packages/server/src/demo/workshop.test.ts"],
          environment: "node",
          globalSetup: ["packages/server/src/test/database.ts"],
          // Each file has a database of its own, and shares what it imports with the others of its process.
          isolate: false,
          pool: "forks",
          maxWorkers: 2,
          // After the others: together they would want more processors than there are.
          sequence: { groupOrder: 1 },
          testTimeout: 30_000,
          hookTimeout: 60_000,
        },
      },
    ],
  },
});
