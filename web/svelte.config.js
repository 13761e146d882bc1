import adapter from "@sveltejs/adapter-static";
import { vitePreprocess } from "@sveltejs/vite-plugin-svelte";

/** @type {import("@sveltejs/kit").Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    adapter: adapter({ fallback: "index.html" }),
    csp: { mode: "hash", directives: { "default-src": ["self"], "style-src": ["self", "unsafe-inline"], "img-src": ["self", "data:"], "script-src": ["self"] } },
  },
};
