// A course with its band, as paths: what is likely, between the ends of what walls let through.

interface Point {
  days: number;
  likely: number;
  low: number;
  high: number;
}

/** The line of what is likely, and the closed shape of its band. */
export function course(points: Point[], x: (days: number) => number, y: (value: number) => number): { line: string; band: string } {
  const at = (point: Point, value: number) => `${x(point.days).toFixed(1)} ${y(value).toFixed(1)}`;
  const path = (of: (point: Point) => number) => points.map((point, n) => `${n ? "L" : "M"}${at(point, of(point))}`).join("");
  const back = [...points].reverse().map((point) => `L${at(point, point.low)}`).join("");
  return { line: path((point) => point.likely), band: `${path((point) => point.high)}${back}Z` };
}
