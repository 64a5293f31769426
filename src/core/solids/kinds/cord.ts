import { drum, type Part } from '../parts';
import { rule, type Kind } from '../kind';

export const cord: Kind = {
  id: 'cord',
  name: 'Cord along wall and floor',
  group: 'things',
  caution: 'A cord across a way can trip people: lead it along the wall where one can.',
  sizes: {
    width: rule(800, 20, 8000),
    depth: rule(300, 0, 6000),
    height: rule(300, 0, 4000),
    'cord radius': rule(4, 1.5, 15),
  },
  choices: { 'begins at the': ['left', 'right'] },
  refuse: (v) => {
    const thick = 2 * v.size('cord radius');
    const short = (mm: number): boolean => mm > 0 && mm < 3 * thick;
    return short(v.depth) || short(v.height) || v.width < 3 * thick ? 'its cord is thicker than it is long' : null;
  },
  // Down the wall, out over the floor, and along it: three straight lengths, as it would be drawn.
  parts: (v) => {
    const r = v.size('cord radius');
    const left = v.choice('begins at the') === 'left';
    const x = left ? r : v.width - r;
    const out = v.depth > 0 ? v.depth - r : r;
    const parts: Part[] = [];
    if (v.height > 0) parts.push(drum('down', [x, r, 2 * r], r, v.height - 2 * r));
    if (v.depth > 0) parts.push(drum('out', [x, 0, r], r, v.depth, 'y'));
    const from = v.depth > 0 ? 2 * r : 0;
    parts.push(drum('along', [left ? from : 0, out, r], r, v.width - from, 'x'));
    return parts;
  },
};
