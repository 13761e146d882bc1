import { sveltekit } from "@sveltejs/kit/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

// What most places need is fetched in one piece, and what some share in another: thirty small pieces take longer to ask
// for than to read, and are pressed worse.
const groups = [
  { name: "base", minShareCount: 5 },
  // What only packages that are kept have in common: the first page is there without it.
  { name: "kept", test: /shelves\/InsidePicture|using\/(HowMany|alike)|chart\/days/, minShareCount: 2 },
  { name: "parts", minShareCount: 2 },
];

export default defineConfig({
  plugins: [tailwindcss(), sveltekit()],
  build: { rolldownOptions: { output: { advancedChunks: { groups } } } },
  server: { proxy: { "/api": "http://127.0.0.1:8790" } },
});
