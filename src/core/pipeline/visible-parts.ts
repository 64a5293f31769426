import { at } from '@/core/base';
import type { VisibleParts } from '@/core/construction';
import { eyeFromWorld, paperFraction, type SetUp } from '@/core/view';
import { edgeOfRow, type PreparedScene, type VisibleLines } from '@/core/visibility';

/** Seen intervals of each edge, as fractions of its length on paper: what the construction's last step is given. */
export function visiblePartsOf(lines: VisibleLines, scene: PreparedScene, setUp: SetUp): VisibleParts {
  const parts = new Map<string, [number, number][]>();
  for (let row = 0; row < lines.edge.length; row += 1) {
    if (lines.seen[row] !== 1) continue;
    const edge = edgeOfRow(scene, lines, row);
    const [depthA, depthB] = [eyeFromWorld(setUp, edge.from).depth, eyeFromWorld(setUp, edge.to).depth];
    // An edge that passes the eye has no whole length on paper, so no fraction of it; its piece cannot be constructed either.
    if (depthA <= 0 || depthB <= 0) continue;
    const list = parts.get(edge.id) ?? [];
    list.push([
      paperFraction(at(lines.along, row * 2), depthA, depthB),
      paperFraction(at(lines.along, row * 2 + 1), depthA, depthB),
    ]);
    parts.set(edge.id, list);
  }
  return parts;
}
