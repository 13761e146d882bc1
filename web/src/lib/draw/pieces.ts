// Food as it is drawn: pieces strewn over a square that repeats without a seam, always the same for a form.

/** A piece: where it lies, how it is turned, and how large it is. */
export interface Piece {
  x: number;
  y: number;
  turn: number;
  size: number;
}

/** A form: the outline of a piece in its own units, a finer line on it, and how far apart pieces lie. */
interface Form {
  outline: string;
  fine?: string;
  apart: number;
  /** Pieces of a form that are only strokes, such as curls, are not filled. */
  open?: boolean;
}

const FORMS: Record<string, Form> = {
  grain: { outline: "M-5.4 0C-3.6-3.5 3.6-3.5 5.4 0C3.6 3.5-3.6 3.5-5.4 0Z", fine: "M-4 .3C-1.5-.5 1.5-.5 4 .3", apart: 7.6 },
  rice: { outline: "M-5.6 0C-5-2.3 4.6-2.5 5.6-.2C5 2.2-4.6 2.4-5.6 0Z", apart: 6.6 },
  kernel: { outline: "M-3.6-3.2C-1-4.6 3-4 4 -1C4.6 2 1.5 4.6-1.5 4C-4.2 3.4-5-1.8-3.6-3.2Z", fine: "M-1.6 1.8C-.4.6 1 .4 2 1", apart: 8.4 },
  bead: { outline: "M2.3 0A2.3 2.3 0 1 1-2.3 0A2.3 2.3 0 1 1 2.3 0Z", apart: 4.9 },
  pea: { outline: "M4.2 0A4.2 4.2 0 1 1-4.2 0A4.2 4.2 0 1 1 4.2 0Z", fine: "M-2-1.6C-1.3-2.6 0-2.8 1-2.3", apart: 8.8 },
  split: { outline: "M-4.4 1.4C-4.4-4.2 4.4-4.2 4.4 1.4C3 2.6-3 2.6-4.4 1.4Z", fine: "M-3.2 1.1C-1 1.8 1 1.8 3.2 1.1", apart: 8 },
  lens: { outline: "M-3.8 0C-3.6-3.2 3.6-3.2 3.8 0C3.6 3.2-3.6 3.2-3.8 0Z", fine: "M-2.2.8C-.8 1.6.8 1.6 2.2.8", apart: 7.4 },
  bean: {
    outline: "M-5.6-.8C-5-4.2-1-3.4 0-2.9C1.2-3.5 5-4.2 5.6-.6C6 3-2.8 4.6-5-.0C-5.6 1-5.7.4-5.6-.8Z",
    fine: "M-1.2-1.7C-.4-1.2.5-1.2 1.2-1.7",
    apart: 9.6,
  },
  flake: { outline: "M-5.2-1C-4-4.4 1-4.6 4-3.2C6.6-1 4.6 3.6 1 3.8C-3.6 4.6-6.2 1.8-5.2-1Z", fine: "M-3.4.6C-1-.8 1.4-.8 3.4.2", apart: 9.8 },
  tube: { outline: "M-6-2.4C-2-5 3-4.6 6-1.8L4.6 2.4C2-.4-2-.6-4.6 1.6Z", fine: "M6-1.8C6.6-.6 5.8 1.8 4.6 2.4C4.2 1 4.8-1.2 6-1.8", apart: 11 },
  curl: { outline: "M-7 1C-5-4-3-4-2 0S1 5 3 1S6-3 7-1", apart: 9.5, open: true },
  dust: { outline: "M.75 0A.75.75 0 1 1-.75 0A.75.75 0 1 1 .75 0Z", apart: 3.5 },
  crystal: { outline: "M-1.7-1.7H1.7V1.7H-1.7Z", fine: "M-1.7-.5L.5-1.7", apart: 4.8 },
  syrup: { outline: "M-9 0C-5-2.2-2 2.2 2 0S7-1.6 9 0", apart: 11, open: true },
  ring: { outline: "M7 0A7 6 0 1 1-7 0A7 6 0 1 1 7 0ZM2.2 0A2.2 1.9 0 1 0-2.2 0A2.2 1.9 0 1 0 2.2 0Z", fine: "M-5.3-1.6C-4.3-3.6-2-4.6 0-4.7", apart: 13.5 },
  slice: { outline: "M-7.2 1.8C-6.6-5.6 6.6-5.6 7.2 1.8C3 .2-3 .2-7.2 1.8Z", fine: "M-4.6-1C-2-3.2 2-3.2 4.6-1", apart: 11.5 },
  chip: { outline: "M-4.6-2C-3-3.2 3.4-3.4 4.6-2C5.4-.6 5 1.8 4.2 2.4C2 3.2-3.4 3.2-4.6 2.2C-5.4 1-5.4-.8-4.6-2Z", fine: "M-2.6.4H2.4", apart: 9.4 },
  leaf: { outline: "M-7.4 1C-4.6-4.6 3-5.4 7.4-1C4 4.2-3 5-7.4 1Z", fine: "M-7.4 1C-2-.6 3-.8 7.4-1M-2-.2L0-2.8M1-.6L2.6 1.9", apart: 11.5 },
  cap: {
    outline: "M-6.6-.4C-6.2-6 6.2-6 6.6-.4C4.6 1 3 .8 1.7.4L2 4.6C1 5.6-1 5.6-2 4.6L-1.7.4C-3 .8-4.6 1-6.6-.4Z",
    fine: "M-4.4-1C-2-2 2-2 4.4-1",
    apart: 12.5,
  },
  cube: {
    outline: "M-4.2-3.6C-2-4.4 2.6-4.4 4.2-3.7C4.8-1.6 4.7 2 4 4C1.6 4.7-2.2 4.7-4 4C-4.8 1.6-4.8-1.6-4.2-3.6Z",
    fine: "M-1.8-1.6h.1M1.6-.4h.1M-.6 1.9h.1M2 2.3h.1",
    apart: 10,
  },
  nut: { outline: "M0-5.2C4.6-4.6 5.8 0 3.8 3.2C2.4 5-2.4 5-3.8 3.2C-5.8 0-4.6-4.6 0-5.2Z", fine: "M-3.7 2.6C-1.4 1.5 1.4 1.5 3.7 2.6", apart: 10.4 },
  seed: { outline: "M-4.2 0C-2-2.6 2.4-2.6 4.2-1C4.6 0 3 2 .5 2.1C-1.8 2.2-3.6 1.4-4.2 0Z", apart: 6.2 },
};

/** A food as far as its drawing goes: the form and the colour of its pieces. */
export interface Painted {
  form: string;
  colour: string;
}

/** The name of the pattern that a food is filled in with. */
export const patternOf = (food: Painted): string => `f-${food.form}-${food.colour.slice(1)}`;

/** The form of that name; grain, if it is new to the drawings. */
export function form(name: string): Form {
  return FORMS[name] ?? (FORMS.grain as Form);
}

export const SQUARE = 96;
/** How much of what they lie apart pieces may come nearer than that. */
const NEAREST = 0.86;
/** How often a dart is thrown for each piece that the square would hold side by side. */
const ENOUGH = 12;
const BESIDE = [-1, 0, 1];

const strewn = new Map<string, Piece[]>();

/** Pieces of a form over the repeating square, no two nearer than they lie apart. */
export function strew(name: string): Piece[] {
  const known = strewn.get(name);
  if (known) return known;
  const { apart } = form(name);
  const chance = seeded(name);
  const pieces: Piece[] = [];
  // A cell is no smaller than pieces lie apart: a piece is noted in the nine cells that what is near it lies in.
  const cells = Math.floor(SQUARE / (apart * NEAREST));
  const nearby: Piece[][] = Array.from({ length: cells * cells }, () => []);
  const cell = (at: number, beside = 0) => (Math.floor((at / SQUARE) * cells) + beside + cells) % cells;
  const tooNear = (apart * NEAREST) ** 2;
  const free = (x: number, y: number) => {
    for (const piece of nearby[cell(x) + cells * cell(y)] ?? []) {
      const dx = across(piece.x - x);
      const dy = across(piece.y - y);
      if (dx ** 2 + dy ** 2 <= tooNear) return false;
    }
    return true;
  };
  // Throwing darts: a try that lands too near another, across the seam too, is thrown again, until hardly any finds room.
  const tries = ENOUGH * (SQUARE / apart) ** 2;
  for (let n = 0; n < tries; n += 1) {
    const x = chance() * SQUARE;
    const y = chance() * SQUARE;
    if (!free(x, y)) continue;
    const piece = { x, y, turn: Math.round(chance() * 360), size: 0.88 + chance() * 0.24 };
    pieces.push(piece);
    for (const dx of BESIDE) for (const dy of BESIDE) nearby[cell(x, dx) + cells * cell(y, dy)]?.push(piece);
  }
  strewn.set(name, pieces);
  return pieces;
}

/** The pieces of a square as few shapes: those in one layer do not touch, and each layer lies over the one before. */
export interface Square {
  layers: string[];
  fine: string;
}

const squares = new Map<string, Square>();

/** The repeating square of a form, or as much of it as is looked at: thousands of pieces in a handful of paths. */
export function square(name: string, upTo = SQUARE): Square {
  const key = `${name} ${upTo}`;
  const known = squares.get(key);
  if (known) return known;
  const shape = form(name);
  const touch = 2 * reach(shape.outline);
  // From the top down: in each layer only the last few can be touched.
  const clear = (layer: Piece[], { x, y }: Piece) => {
    for (let n = layer.length - 1; n >= 0; n -= 1) {
      const other = layer[n] as Piece;
      if (y - other.y > touch) break;
      if ((other.x - x) ** 2 + (other.y - y) ** 2 <= touch ** 2) return false;
    }
    return true;
  };
  const layers: Piece[][] = [];
  for (const piece of copies(strew(name), upTo).sort((a, b) => a.y - b.y)) {
    const layer = layers.find((each) => clear(each, piece));
    if (layer) layer.push(piece);
    else layers.push([piece]);
  }
  const joined = (outline: string, pieces: Piece[]) => pieces.map((piece) => moved(outline, piece)).join("");
  const found = { layers: layers.map((layer) => joined(shape.outline, layer)), fine: shape.fine ? joined(shape.fine, layers.flat()) : "" };
  squares.set(key, found);
  return found;
}

/** Pieces, and those that cross the edge of the square once more on its other side. */
function copies(pieces: Piece[], upTo: number): Piece[] {
  const found: Piece[] = [];
  const places = (at: number) => BESIDE.map((n) => at + n * SQUARE).filter((there) => there > -10 && there < upTo + 10);
  for (const piece of pieces) for (const x of places(piece.x)) for (const y of places(piece.y)) found.push({ ...piece, x, y });
  return found;
}

/** How far a piece reaches from its middle, at its largest. */
function reach(outline: string): number {
  return 1.12 * Math.max(...(outline.match(NUMBER) ?? []).map((each) => Math.abs(Number(each)))) + 0.4;
}

const NUMBER = /-?(?:\d+\.?\d*|\.\d+)/g;
const COMMAND = /([A-Za-z])([^A-Za-z]*)/g;

/** A step of an outline: a command that is followed by points, or an arc, or the end. */
type Step = { command: string; points: [number, number][] } | { arc: number[] } | "Z";

const read = new Map<string, Step[]>();

/** An outline as its steps, all of them to points in its own units; read once. */
function steps(outline: string): Step[] {
  const known = read.get(outline);
  if (known) return known;
  let [x, y] = [0, 0];
  const to = (px: number, py: number): [number, number] => [(x = px), (y = py)];
  const found = [...outline.matchAll(COMMAND)].map(([, command = "", rest = ""]): Step => {
    const n = (rest.match(NUMBER) ?? []).map(Number);
    if (command === "Z") return "Z";
    if (command === "H") return { command: "L", points: [to(n[0] ?? 0, y)] };
    if (command === "h") return { command: "L", points: [to(x + (n[0] ?? 0), y)] };
    if (command === "V") return { command: "L", points: [to(x, n[0] ?? 0)] };
    if (command === "A") {
      to(n[5] ?? 0, n[6] ?? 0);
      return { arc: n };
    }
    // M, L, C and S: nothing but points.
    return { command, points: n.flatMap((px, i) => (i % 2 ? [] : [to(px, n[i + 1] ?? 0)])) };
  });
  read.set(outline, found);
  return found;
}

/** An outline where its piece lies: sized, turned and moved as an SVG transform would do it. */
export function moved(outline: string, piece: Piece): string {
  const turn = (piece.turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn) * piece.size, Math.sin(turn) * piece.size];
  const say = (n: number) => Math.round(n * 100) / 100;
  const at = (x: number, y: number) => `${say(piece.x + x * cos - y * sin)} ${say(piece.y + x * sin + y * cos)}`;
  let path = "";
  for (const step of steps(outline)) {
    if (step === "Z") path += "Z";
    else if ("arc" in step) {
      const [rx = 0, ry = 0, slant = 0, large = 0, sweep = 0, px = 0, py = 0] = step.arc;
      path += `A${say(rx * piece.size)} ${say(ry * piece.size)} ${slant + piece.turn} ${large} ${sweep} ${at(px, py)}`;
    } else path += step.command + step.points.map(([x, y]) => at(x, y)).join(" ");
  }
  return path;
}

/** A line of pieces that make the uneven top of a heap, from 0 to a width. */
export function crest(name: string, width: number, seed: number): Piece[] {
  const { apart } = form(name);
  const chance = seeded(`${name}${seed}`);
  const pieces: Piece[] = [];
  for (let x = apart / 2; x < width - apart / 3; x += apart * (0.62 + chance() * 0.3)) {
    pieces.push({ x, y: (chance() - 0.35) * apart * 0.5, turn: Math.round(chance() * 360), size: 0.88 + chance() * 0.24 });
  }
  return pieces;
}

/** The same numbers for the same name, every time (mulberry32). */
export function seeded(name: string): () => number {
  let state = 0x9e3779b9;
  for (const letter of name) state = Math.imul(state ^ letter.charCodeAt(0), 0x85ebca6b);
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

function across(distance: number): number {
  const d = distance < 0 ? -distance : distance;
  return d > SQUARE / 2 ? SQUARE - d : d;
}
