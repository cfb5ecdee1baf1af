import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

const server = process.env.RHODON_SERVER ?? "http://127.0.0.1:4870";

export default defineConfig({
  plugins: [react()],
  html: { cspNonce: "__CSP_NONCE__" },
  server: { proxy: { "/api": { target: server, changeOrigin: true } } },
  build: {
    target: "es2023",
    // Small fonts would become data: addresses, which the policy refuses.
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
    rolldownOptions: {
      input: { index: "index.html", proof: "proof.html" },
      output: {
        codeSplitting: {
          groups: [
            { name: "react", test: /node_modules\/(react|react-dom|scheduler)\// },
            // What long lists need comes with the stages that have some.
            { name: "tanstack", test: /node_modules\/@tanstack\/(?!(react-)?virtual)/ },
          ],
        },
      },
    },
  },
});
