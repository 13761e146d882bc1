// The uneven top of food in a container.
import { seeded } from "./pieces";

/** A path that encloses food from far below up to an uneven line at a height above the foot. */
export function heap(half: number, height: number, seed: number, rough = 1): string {
  const chance = seeded(`heap${seed}`);
  const steps = Math.max(4, Math.round(half / 9));
  let line = `M${(-half - 4).toFixed(1)} 20V${(-height).toFixed(1)}`;
  for (let step = 1; step <= steps; step += 1) {
    const x = -half - 4 + ((2 * half + 8) * step) / steps;
    const middle = x - (half + 4) / steps;
    line += `Q${middle.toFixed(1)} ${(-height + (chance() - 0.5) * 5 * rough).toFixed(1)} ${x.toFixed(1)} ${(-height + (chance() - 0.5) * 2 * rough).toFixed(1)}`;
  }
  return `${line}V20Z`;
}
