import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** What the server answers is shaped so: what a device has kept of other shapes is not shown. */
const shapes = createHash("sha256")
  .update(readFileSync(new URL("src/api/schema.d.ts", import.meta.url)))
  .digest("hex")
  .slice(0, 12);

const icon = (size: number, purpose: "any" | "maskable" = "any") => ({
  src: `/icons/${purpose}-${size}.png`,
  sizes: `${size}x${size}`,
  type: "image/png",
  purpose,
});

export default defineConfig({
  plugins: [
    react(),
    // The application itself on the device; the server's answers are kept by person, not here.
    VitePWA({
      injectRegister: false,
      manifest: {
        name: "Fair Corner",
        short_name: "Fair Corner",
        description: "The cue this driver will see, and how each attempt came out.",
        start_url: "/",
        display: "standalone",
        background_color: "#1e2b2d",
        theme_color: "#1e2b2d",
        icons: [icon(192), icon(512), icon(512, "maskable")],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,woff2}"],
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api\//],
        // Whoever opens it for the first time has it on the device from then on.
        clientsClaim: true,
        cleanupOutdatedCaches: true,
        inlineWorkboxRuntime: true,
      },
    }),
  ],
  define: { __SHAPES__: JSON.stringify(shapes) },
  build: {
    target: "es2022",
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      output: {
        // What several screens share comes in a few files, not in one for each component: before
        // anything is drawn there were 67 scripts, each with a way to the server and back.
        codeSplitting: {
          groups: [
            { name: "libraries", test: /node_modules/, minShareCount: 4 },
            { name: "shared", test: /src/, minShareCount: 4 },
          ],
        },
      },
    },
  },
  server: { proxy: { "/api": "http://127.0.0.1:8300" } },
});
