import type { Project } from '@/core/record';
import { formatBarePaper, type LengthStyle } from '@/core/units';

/** `43.2 right`, `18.6 below`: a signed paper distance in words. */
export const sideways = (u: number, style: LengthStyle): string =>
  `${formatBarePaper(Math.abs(u), style)} ${u < 0 ? 'left' : 'right'}`;
export const upright = (v: number, style: LengthStyle): string =>
  `${formatBarePaper(Math.abs(v), style)} ${v < 0 ? 'below' : 'above'}`;

/** A corner's name as one says it: `the loom bench, front left, top`. */
export function cornerWords(project: Project, bodyName: string, cornerId: string): string {
  const segments = cornerId.split('/');
  const [first = '', middle = ''] = segments;
  const last = segments.at(-1) ?? '';
  const opening = project.openings.find((one) => one.id === first);
  if (opening) {
    const part = ['face', 'back', 'far'].includes(middle) ? '' : `${middle.split('-').join(' ')}, `;
    const where = middle === 'back' ? ', back of the reveal' : middle === 'far' ? ', on the far wall' : '';
    return `${opening.name}, ${part}${last.split('-').join(' ')}${where}`;
  }
  if (last === 'floor' || last === 'ceiling') {
    const walls = project.spaces.flatMap((space) =>
      space.walls.map((wall, index) => ({
        wall,
        before: space.walls[(index + space.walls.length - 1) % space.walls.length],
      })),
    );
    const met = walls.find(({ wall }) => wall.startCorner === first);
    return met?.before ? `corner of ${met.before.name} and ${met.wall.name}, ${last}` : `${bodyName}, ${last}`;
  }
  const parts = last.split('-');
  const level = parts.at(-1) === 'top' || parts.at(-1) === 'bottom' ? parts.pop() : undefined;
  const wall = project.spaces.flatMap((space) => space.walls).find((one) => one.id === first);
  if (wall && segments.length > 1)
    return [wall.name, ...segments.slice(1).map((word) => word.split('-').join(' '))].join(', ');
  const part = segments.length === 3 && middle !== 'box' ? middle.split('-').join(' ') : '';
  return [bodyName, part, parts.join(' '), level].filter(Boolean).join(', ');
}
