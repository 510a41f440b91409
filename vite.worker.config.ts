import { defineConfig } from "vite";

/** What runs beside the pages: files of their own under build/worker, started by name. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    outDir: "build/worker",
    emptyOutDir: true,
    rollupOptions: {
      input: {
        read: "formats/read.worker.ts",
        "yard-ready": "app/files/yard-ready.worker.ts",
        front: "app/front.server.ts",
        yards: "app/yards.server.ts",
      },
      output: { entryFileNames: "[name].js" },
    },
  },
});
