// Outlines of containers in px, foot in the middle at (0, 0), y upwards negative: pure drawing, no rules.
import type { Schemas } from "$lib/api/client";

export type Drawn = Schemas["Drawing"];

export interface Outline {
  /** The wall. */
  body: string;
  /** The space food can be in, which clips it. */
  inside: string;
  /** Lines that give the hand: beads of a pail, creases of a bag. */
  lines: string;
  /** Lid or cap, if it has one. */
  lid: string;
  /** The seal of a bag. */
  seal: string;
  /** A handle, drawn behind what stands in front. */
  bail: string;
  /** Half the width inside, at a height above the foot. */
  halfAt: (height: number) => number;
  /** Greatest height and half width, lid included. */
  top: number;
  half: number;
  /** Half width of a label and how high its middle sits. */
  label: { half: number; y: number };
}

/** The outline of a container at so many px a mm. */
export function outline(drawn: Drawn, scale: number): Outline {
  switch (drawn.kind) {
    case "jar":
    case "shop jar":
    case "canned jar":
      return jar(drawn, scale);
    case "bottle":
      return bottle(drawn, scale);
    case "can":
    case "tin":
      return can(drawn, scale);
    case "pail":
    case "pail with liner":
      return pail(drawn, scale);
    case "box":
      return box(drawn, scale);
    case "tote":
      return tote(drawn, scale);
    default:
      return bag(drawn, scale);
  }
}

const n = (value: number) => value.toFixed(1);

function bag(drawn: Drawn, scale: number): Outline {
  const half = (drawn.width_mm / 2) * scale;
  const height = drawn.height_mm * scale;
  const inner = drawn.inner_mm * scale;
  const corner = Math.min(half * 0.16, 18);
  const belly = Math.min(half * 0.05, 8);
  const top = half * 0.96;
  const side = (sign: number) =>
    `C${n(sign * half)} ${n(-corner * 0.2)} ${n(sign * (half + belly))} ${n(-height * 0.12)} ${n(sign * (half + belly * 0.4))} ${n(-height * 0.34)}`;
  const body =
    `M${n(-half + corner)} 0H${n(half - corner)}` +
    side(1) +
    `L${n(top)} ${n(-height)}H${n(-top)}L${n(-half - belly * 0.4)} ${n(-height * 0.34)}` +
    `C${n(-half - belly)} ${n(-height * 0.12)} ${n(-half)} ${n(-corner * 0.2)} ${n(-half + corner)} 0Z`;
  const packet = drawn.kind === "shop packet";
  const zip = drawn.kind === "zip bag" ? `M${n(-top)} ${n(-inner * 0.965)}H${n(top)}M${n(-top)} ${n(-inner * 0.955)}H${n(top)}` : "";
  const creases = packet
    ? `M${n(-top * 0.72)} ${n(-height)}L${n(-half * 0.7)} ${n(-height * 0.9)}M${n(top * 0.72)} ${n(-height)}L${n(half * 0.7)} ${n(-height * 0.9)}`
    : `M${n(-half * 0.66)} ${n(-inner * 0.86)}C${n(-half * 0.72)} ${n(-inner * 0.6)} ${n(-half * 0.64)} ${n(-inner * 0.4)} ${n(-half * 0.7)} ${n(-inner * 0.12)}` +
      `M${n(half * 0.6)} ${n(-inner * 0.8)}C${n(half * 0.68)} ${n(-inner * 0.6)} ${n(half * 0.6)} ${n(-inner * 0.46)} ${n(half * 0.66)} ${n(-inner * 0.26)}`;
  return {
    body,
    inside: body,
    lines: zip + creases,
    lid: "",
    seal: `M${n(-top)} ${n(-height)}H${n(top)}V${n(-inner)}H${n(-top)}Z`,
    bail: "",
    halfAt: (y) => half + belly * 0.4 - (half + belly * 0.4 - top) * Math.max(0, y / height - 0.34) * 1.5,
    top: height,
    half: half + belly,
    label: { half: half * 0.8, y: inner * 0.45 },
  };
}

function jar(drawn: Drawn, scale: number): Outline {
  const wall = Math.max(1.5, 3.5 * scale);
  const half = (drawn.width_mm / 2) * scale + wall;
  const height = drawn.height_mm * scale + wall;
  // The lid is as wide as the mouth; the glass slopes from the neck under it to the wall.
  const neck = Math.min(half - 0.5, (drawn.mouth_mm / 2) * scale - wall * 0.6);
  const corner = half * 0.16;
  const shoulder = height - half * 0.2 - (half - neck) * 0.8;
  const glass = (inset: number) => {
    const h = half - inset;
    const k = neck - inset;
    const foot = -inset;
    return (
      `M${n(-h + corner)} ${n(foot)}H${n(h - corner)}Q${n(h)} ${n(foot)} ${n(h)} ${n(foot - corner)}V${n(-shoulder)}` +
      `C${n(h)} ${n(-height + half * 0.12)} ${n(k)} ${n(-height + half * 0.16)} ${n(k)} ${n(-height)}H${n(-k)}` +
      `C${n(-k)} ${n(-height + half * 0.16)} ${n(-h)} ${n(-height + half * 0.12)} ${n(-h)} ${n(-shoulder)}V${n(foot - corner)}Q${n(-h)} ${n(foot)} ${n(-h + corner)} ${n(foot)}Z`
    );
  };
  const lidHeight = Math.max(6, half * 0.36);
  return {
    body: glass(0),
    inside: glass(wall),
    lines: `M${n(half * 0.78)} ${n(-shoulder * 0.94)}V${n(-shoulder * 0.7)}M${n(half * 0.78)} ${n(-shoulder * 0.64)}V${n(-shoulder * 0.58)}`,
    lid:
      `M${n(-neck - wall)} ${n(-height + 1)}V${n(-height - lidHeight + 2)}Q${n(-neck - wall)} ${n(-height - lidHeight)} ${n(-neck - wall + 2)} ${n(-height - lidHeight)}` +
      `H${n(neck + wall - 2)}Q${n(neck + wall)} ${n(-height - lidHeight)} ${n(neck + wall)} ${n(-height - lidHeight + 2)}V${n(-height + 1)}Z` +
      `M${n(-neck - wall)} ${n(-height - lidHeight * 0.62)}H${n(neck + wall)}`,
    seal: "",
    bail: "",
    halfAt: (y) => (y < shoulder ? half - wall : neck + (half - neck) * 0.5 - wall),
    top: height + lidHeight,
    half: half + 1,
    label: { half: half * 0.93, y: shoulder * 0.5 },
  };
}

function bottle(drawn: Drawn, scale: number): Outline {
  const half = (drawn.width_mm / 2) * scale + 1.5;
  const height = drawn.height_mm * scale;
  const neck = half * 0.3;
  const corner = half * 0.22;
  const shoulder = height * 0.7;
  const wall = (inset: number) => {
    const h = half - inset;
    const k = neck - inset * 0.6;
    return (
      `M${n(-h + corner)} ${n(-inset)}H${n(h - corner)}Q${n(h)} ${n(-inset)} ${n(h)} ${n(-corner)}V${n(-shoulder)}` +
      `C${n(h)} ${n(-height * 0.86)} ${n(k)} ${n(-height * 0.86)} ${n(k)} ${n(-height)}H${n(-k)}` +
      `C${n(-k)} ${n(-height * 0.86)} ${n(-h)} ${n(-height * 0.86)} ${n(-h)} ${n(-shoulder)}V${n(-corner)}Q${n(-h)} ${n(-inset)} ${n(-h + corner)} ${n(-inset)}Z`
    );
  };
  const cap = Math.max(6, height * 0.05);
  return {
    body: wall(0),
    inside: wall(1.5),
    lines: `M${n(-half)} ${n(-height * 0.28)}Q0 ${n(-height * 0.27)} ${n(half)} ${n(-height * 0.28)}M${n(-half)} ${n(-height * 0.55)}Q0 ${n(-height * 0.54)} ${n(half)} ${n(-height * 0.55)}`,
    lid: `M${n(-neck - 2)} ${n(-height + 1)}V${n(-height - cap)}H${n(neck + 2)}V${n(-height + 1)}Z`,
    seal: "",
    bail: "",
    halfAt: (y) => (y < shoulder ? half - 1.5 : neck + (half - neck) * Math.max(0, 1 - (y - shoulder) / (height - shoulder))),
    top: height + cap,
    half,
    label: { half: half * 0.9, y: height * 0.41 },
  };
}

function can(drawn: Drawn, scale: number): Outline {
  const half = (drawn.width_mm / 2) * scale + 1.5;
  const height = drawn.height_mm * scale;
  const body = `M${n(-half)} 0H${n(half)}V${n(-height)}H${n(-half)}Z`;
  const ribs = [0.3, 0.36, 0.64, 0.7].map((at) => `M${n(-half)} ${n(-height * at)}H${n(half)}`).join("");
  return {
    body,
    inside: body,
    lines: ribs,
    lid: `M${n(-half - 2)} ${n(-height)}H${n(half + 2)}V${n(-height - 5)}H${n(-half - 2)}ZM${n(-half - 2)} 0H${n(half + 2)}V-4H${n(-half - 2)}Z`,
    seal: "",
    bail: "",
    halfAt: () => half,
    top: height + 5,
    half: half + 2,
    label: { half: half * 0.85, y: height * 0.5 },
  };
}

/** A box or crate, of slats: it stands open. */
function box(drawn: Drawn, scale: number): Outline {
  const half = (drawn.width_mm / 2) * scale;
  const height = drawn.height_mm * scale;
  const body = `M${n(-half)} 0H${n(half)}V${n(-height)}H${n(-half)}Z`;
  const slat = (share: number) => `M${n(-half)} ${n(-height * share)}H${n(half)}`;
  const post = (side: number) => `M${n(side * half * 0.8)} 0V${n(-height)}`;
  return {
    body,
    inside: body,
    lines: slat(0.3) + slat(0.36) + slat(0.64) + slat(0.7) + post(-1) + post(1),
    lid: "",
    seal: "",
    bail: "",
    halfAt: () => half,
    top: height,
    half,
    label: { half: half * 0.6, y: height * 0.5 },
  };
}

/** A box with a lid: its sides lean a little, the lid's rim stands over. */
function tote(drawn: Drawn, scale: number): Outline {
  const wall = Math.max(1.2, 3 * scale);
  const top = (drawn.top_mm / 2) * scale + wall;
  const base = (drawn.base_mm / 2) * scale + wall;
  const height = drawn.height_mm * scale + wall;
  const rim = Math.max(5, 14 * scale);
  const corner = Math.min(base * 0.14, 10);
  const side = (inset: number) =>
    `M${n(-base + inset + corner)} ${n(-inset)}H${n(base - inset - corner)}Q${n(base - inset)} ${n(-inset)} ${n(base - inset + 0.5)} ${n(-inset - corner)}` +
    `L${n(top - inset)} ${n(-height)}H${n(-top + inset)}L${n(-base + inset - 0.5)} ${n(-inset - corner)}Q${n(-base + inset)} ${n(-inset)} ${n(-base + inset + corner)} ${n(-inset)}Z`;
  const at = (y: number) => base + (top - base) * (y / height);
  const rib = (share: number) => `M${n(at(height) * share)} ${n(-height * 0.86)}V${n(-height * 0.12)}`;
  return {
    body: side(0),
    inside: side(wall),
    lines: [-0.72, 0.72].map(rib).join(""),
    lid: `M${n(-top - 3)} ${n(-height)}V${n(-height - rim * 0.55)}Q${n(-top - 3)} ${n(-height - rim)} ${n(-top + 1)} ${n(-height - rim)}H${n(top - 1)}Q${n(top + 3)} ${n(-height - rim)} ${n(top + 3)} ${n(-height - rim * 0.55)}V${n(-height)}Z`,
    seal: "",
    bail: "",
    halfAt: (y) => at(y) - wall,
    top: height + rim,
    half: top + 3,
    label: { half: base * 0.66, y: height * 0.5 },
  };
}

function pail(drawn: Drawn, scale: number): Outline {
  const wall = Math.max(1.5, 4 * scale);
  const top = (drawn.top_mm / 2) * scale + wall;
  const base = (drawn.base_mm / 2) * scale + wall;
  const height = drawn.height_mm * scale + wall;
  const rim = Math.max(7, 17 * scale);
  const at = (y: number) => base + (top - base) * (y / height);
  const side = (inset: number) =>
    `M${n(-base + inset + 3)} ${n(-inset)}H${n(base - inset - 3)}Q${n(base - inset)} ${n(-inset)} ${n(base - inset + 0.3)} ${n(-inset - 3)}L${n(top - inset)} ${n(-height)}H${n(-top + inset)}L${n(-base + inset - 0.3)} ${n(-inset - 3)}Q${n(-base + inset)} ${n(-inset)} ${n(-base + inset + 3)} ${n(-inset)}Z`;
  const bead = (share: number) => `M${n(-at(height * share))} ${n(-height * share)}H${n(at(height * share))}`;
  return {
    body: side(0),
    inside: side(wall),
    lines: bead(0.86) + bead(0.9),
    lid: `M${n(-top - 4)} ${n(-height)}Q${n(-top - 4)} ${n(-height - rim)} ${n(-top)} ${n(-height - rim)}H${n(top)}Q${n(top + 4)} ${n(-height - rim)} ${n(top + 4)} ${n(-height)}Z`,
    seal: "",
    bail: `M${n(-at(height * 0.88))} ${n(-height * 0.88)}C${n(-top * 0.98)} ${n(-height * 0.5)} ${n(top * 0.98)} ${n(-height * 0.5)} ${n(at(height * 0.88))} ${n(-height * 0.88)}`,
    halfAt: (y) => at(y) - wall,
    top: height + rim,
    half: top + 4,
    label: { half: base * 0.78, y: height * 0.27 },
  };
}
