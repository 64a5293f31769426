import { exactParts } from './exact-parts';
import { joinLines, type Joined } from './joined-lines';
import { neutralPolygons, type NeutralScene } from './neutral-scene';
import type { EdgeParts, Sight } from './polygon-set';
import { drain } from '@/core/base';

const all = (count: number): Uint8Array => new Uint8Array(count).fill(1);

/** The rows of edge parts that are seen. */
export function seenRows({ count, hiddenBy }: EdgeParts): Int32Array {
  const rows = new Int32Array(count);
  let seen = 0;
  for (let i = 0; i < count; i += 1)
    if (hiddenBy[i] === -1) {
      rows[seen] = i;
      seen += 1;
    }
  return rows.slice(0, seen);
}

/** Visible stretches of every polygon edge of a neutral scene, lines that fall on one another once. All faces hide from both sides. */
export function neutralLines(scene: NeutralScene, sight: Sight): Joined {
  const { polygons, edges } = neutralPolygons(scene);
  const parts = drain(exactParts(polygons, [edges], all(polygons.faceCount), all(edges.count), sight));
  return joinLines(parts.picture, seenRows(parts));
}
