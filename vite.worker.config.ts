import { defineConfig } from "vite";

/** Workers of the server: each a file of its own under build/worker, started by name. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: "formats/read.worker.ts",
    outDir: "build/worker",
    emptyOutDir: true,
    rollupOptions: { output: { entryFileNames: "read.js" } },
  },
});
