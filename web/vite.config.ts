import { sveltekit } from "@sveltejs/kit/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

/** What only a place of its own or a sheet brings, by where it is: the first page is there without it. */
const LATER = {
  kept: /shelves\/InsidePicture|using\/(HowMany|alike)|chart\/days/,
  own: /catalog\/(Own|OneFood|container\.)|TakePicture|ui\/photo|icons\/camera|places\/usual/,
  trays: /draw\/(Tray|Sack)|features\/drying\/|ui\/(ScaleReading|Degrees)|state\/lines|shelves\/Labels|household\/warmth/,
};
const LATE = new RegExp(
  Object.values(LATER)
    .map((each) => each.source)
    .join("|"),
);

// What most places need is fetched in one piece, and what some share in another: thirty small pieces take longer to ask
// for than to read, and are pressed worse.
const groups = [
  { name: "base", minShareCount: 5 },
  { name: "parts", test: (id: string) => !LATE.test(id), minShareCount: 2 },
  ...Object.entries(LATER).map(([name, test]) => ({ name, test, minShareCount: 2 })),
];

export default defineConfig({
  plugins: [tailwindcss(), sveltekit()],
  build: { rolldownOptions: { output: { codeSplitting: { groups } } } },
  server: { proxy: { "/api": "http://127.0.0.1:8790" } },
});
