// What all charts are drawn in: a frame with two scales, and the paths of what runs through it.
import { area, curveLinear, curveStepAfter, line } from "d3-shape";

/** From one end of an axis to the other; by tenfolds, where the first days matter as much as the last years. */
export interface Span {
  from: number;
  to: number;
  tenfold?: boolean;
}

/** A mark along an axis, with its words. */
export interface Mark {
  at: number;
  words: string;
  /** Its colour, where it is more than a number. */
  tone?: string;
}

/** Where the axes stand, and where a value is between them. */
export interface Frame {
  left: number;
  right: number;
  top: number;
  foot: number;
  x: (value: number) => number;
  y: (value: number) => number;
}

/** How far along its span a value is: 0 at its beginning, 1 at its end. */
export function along({ from, to, tenfold }: Span, value: number): number {
  return tenfold ? Math.log(value / from) / Math.log(to / from) : (value - from) / (to - from);
}

export function frame(edges: { left: number; right: number; top: number; foot: number }, across: Span, up: Span): Frame {
  const { left, right, top, foot } = edges;
  return {
    ...edges,
    x: (value) => left + along(across, value) * (right - left),
    y: (value) => foot - along(up, value) * (foot - top),
  };
}

/** The path through points; in steps, where what was reached holds until the next. */
export function through<P>(points: readonly P[], at: (point: P) => [number, number], { x, y }: Frame, steps = false): string {
  const path = line<P>(
    (point) => x(at(point)[0]),
    (point) => y(at(point)[1]),
  ).curve(steps ? curveStepAfter : curveLinear);
  return path.digits(1)([...points]) ?? "";
}

/** The closed shape between a low and a high value of each point. */
export function between<P>(points: readonly P[], at: (point: P) => [number, number, number], { x, y }: Frame): string {
  const path = area<P>(
    (point) => x(at(point)[0]),
    (point) => y(at(point)[1]),
    (point) => y(at(point)[2]),
  );
  return path.digits(1)([...points]) ?? "";
}

const LETTER = 6.8;

/** Where the words of a mark hang: beside it at the ends, so that none is cut off. */
export function anchor(at: number, words: string, room: number): "start" | "middle" | "end" {
  const half = (words.length * LETTER) / 2;
  return at + half > room ? "end" : at - half < 0 ? "start" : "middle";
}

/** Marks without the words that would run into one another; the first and the last keep theirs. */
export function spaced(marks: readonly Mark[], x: (value: number) => number, room: number): Mark[] {
  const begins = ({ at, words }: Mark) => x(at) - { start: 0, middle: 0.5, end: 1 }[anchor(x(at), words, room)] * words.length * LETTER;
  const free = (before: Mark, after: Mark) => begins(before) + before.words.length * LETTER + 3 <= begins(after);
  const last = marks.at(-1);
  let kept: Mark | undefined;
  return marks.map((mark) => {
    const fits = mark.words && (!kept || free(kept, mark)) && (mark === last || !last?.words || free(mark, last));
    if (!fits && mark !== last) return { ...mark, words: "" };
    kept = mark.words ? mark : kept;
    return mark;
  });
}
