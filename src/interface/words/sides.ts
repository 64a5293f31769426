import { capital } from '@/core/base';
import type { Id, Project } from '@/core/record';
import { spoken, type Role } from '@/core/solids';
import { formatBarePaper, type LengthStyle } from '@/core/units';
import type { LineRole } from '@/core/visibility';

/** `43.2 right`, `18.6 below`: a signed paper distance in words. */
export const sideways = (u: number, style: LengthStyle): string =>
  `${formatBarePaper(Math.abs(u), style)} ${u < 0 ? 'left' : 'right'}`;
export const upright = (v: number, style: LengthStyle): string =>
  `${formatBarePaper(Math.abs(v), style)} ${v < 0 ? 'below' : 'above'}`;

const joined = (...parts: readonly (string | null | undefined)[]): string => parts.filter(Boolean).join(', ');

/** `corner of the west wall and the north wall`: the two walls that meet in a corner of a room's outline. */
function cornerOfWalls(project: Project, cornerId: Id): string | null {
  for (const { walls } of project.spaces) {
    const index = walls.findIndex((wall) => wall.startCorner === cornerId);
    const [wall, before] = [walls[index], walls[(index + walls.length - 1) % walls.length]];
    if (wall && before) return `corner of ${before.name} and ${wall.name}`;
  }
  return null;
}

/** A corner or an edge as one says it: `the loom bench, front left, top`. */
export function placeWords(project: Project, bodyName: string, role: Role): string {
  const wallName = (id: Id): string =>
    project.spaces.flatMap((space) => space.walls).find((wall) => wall.id === id)?.name ?? bodyName;
  switch (role.is) {
    case 'room-corner':
      return joined(cornerOfWalls(project, role.cornerId) ?? bodyName, role.at);
    case 'corner-upright':
      return joined(cornerOfWalls(project, role.cornerId) ?? bodyName, role.part === 'upper' ? 'upper part' : null);
    case 'wall':
      return joined(wallName(role.wallId), role.place === 'foot' ? 'foot' : role.which);
    case 'moulding':
      return joined(
        wallName(role.wallId),
        role.stretch > 1 ? `${role.moulding} ${role.stretch}` : role.moulding,
        role.which,
      );
    case 'floor':
      return joined(bodyName, 'floor');
    case 'ceiling':
      return joined(bodyName, role.region > 0 ? `part ${role.region + 1} of the ceiling` : 'ceiling', role.which);
    case 'ceiling-joint':
      return joined(bodyName, `joint ${role.joint} of the ceiling`, role.which);
    case 'opening': {
      const name = project.openings.find((one) => one.id === role.openingId)?.name ?? bodyName;
      const between = role.layer === 'reveal' || role.layer === 'leaf' ? role.layer : null;
      const deep = role.layer === 'back' ? 'back of the reveal' : role.layer === 'far' ? 'on the far wall' : null;
      return joined(name, between, role.which, deep);
    }
    case 'part':
      return joined(bodyName, spoken(role.part), role.which, role.level);
    case 'crate':
      return joined(bodyName, role.which, role.level);
    case 'pattern':
      return joined(bodyName, role.which);
    case 'grid':
      return joined(bodyName, role.which);
  }
}

/** A line of the picture as one says it. A line of intersection is no body's own: it is told by both. */
export function lineWords(project: Project, nameOf: (bodyId: Id) => string, body: Id, role: LineRole): string {
  if (role.line !== 'crossing')
    return `${placeWords(project, nameOf(body), role.line === 'edge' ? role.edge : role.face)}:`;
  const [first, second] = role.bodies.map(nameOf);
  if (!first || !second) return '';
  return first === second
    ? `Two parts of ${first} run into each other in this line.`
    : `${capital(first)} and ${second} run through each other in this line.`;
}
