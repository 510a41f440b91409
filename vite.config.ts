import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

export default defineConfig(({ command }) => ({
  // In one piece the server is up in a third of the time.
  ssr:
    command === "build"
      ? { noExternal: true, external: ["better-sqlite3", "highs", "@react-pdf/renderer"] }
      : {},
  // What is built is what is served: of no package the pieces for developing it are carried along.
  ...(command === "build" && { define: { "process.env.NODE_ENV": '"production"' } }),
  plugins: [
    tailwindcss(),
    reactRouter(),
    VitePWA({
      strategies: "injectManifest",
      srcDir: "app/offline",
      filename: "service-worker.ts",
      injectRegister: false,
      manifest: {
        name: "Ambrek",
        short_name: "Ambrek",
        description: "Sets up tractors and implements for field work.",
        start_url: "/",
        display: "standalone",
        background_color: "#f6f3ea",
        theme_color: "#f6f3ea",
        icons: [
          { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
          { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
          { src: "/icon-512.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
        ],
      },
      injectManifest: {
        globPatterns: ["assets/**/*", "*.{svg,png}"],
        // The solver of the season: large, and the plan is made at a desk.
        globIgnores: ["**/*.wasm"],
        maximumFileSizeToCacheInBytes: 4e6,
      },
    }),
  ],
}));
