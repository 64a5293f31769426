import { at } from '@/core/base';
import type { Vector3 } from '@/core/geometry';
import type { PreparedScene } from './scene';

/** Directions nearer to each other than this are one: 1e-6 rad is 0.01 mm in 10 m. */
const SAME = 1e-6;
const CELLS = 1 << 20;

export interface EdgeDirections {
  /** For each edge of the scene the number of its direction. */
  readonly of: Int32Array;
  /** Unit directions, of either sense. */
  readonly list: readonly Vector3[];
}

const made = new WeakMap<PreparedScene, EdgeDirections>();

/** The few directions that a scene's thousands of edges run in: told once for each scene, whatever the eye does. */
export function edgeDirections(scene: PreparedScene): EdgeDirections {
  const known = made.get(scene);
  if (known) return known;
  const list: Vector3[] = [];
  const cells = new Map<number, number[]>();
  const cell = (value: number): number => Math.round(value * 1e4) + 16_384;
  const keyOf = (x: number, y: number, z: number): number => (x * 32_768 + y) * CELLS + z;
  const of = Int32Array.from(scene.edges, ({ from, to }) => {
    let [x, y, z] = [to.x - from.x, to.y - from.y, to.z - from.z];
    const size = Math.hypot(x, y, z) || 1;
    // One sense for both: upward, else north, else east.
    const sense = Math.abs(z) > 1e-9 * size ? z : Math.abs(y) > 1e-9 * size ? y : x;
    const by = sense < 0 ? -size : size;
    [x, y, z] = [x / by, y / by, z / by];
    const [i, j, k] = [cell(x), cell(y), cell(z)];
    for (let a = i - 1; a <= i + 1; a += 1)
      for (let b = j - 1; b <= j + 1; b += 1)
        for (let c = k - 1; c <= k + 1; c += 1)
          for (const number of cells.get(keyOf(a, b, c)) ?? []) {
            const d = at(list, number);
            if (Math.hypot(d.x - x, d.y - y, d.z - z) < SAME) return number;
          }
    const key = keyOf(i, j, k);
    const there = cells.get(key);
    if (there) there.push(list.length);
    else cells.set(key, [list.length]);
    list.push({ x, y, z });
    return list.length - 1;
  });
  const fresh = { of, list };
  made.set(scene, fresh);
  return fresh;
}
