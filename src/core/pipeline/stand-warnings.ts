import { at } from '@/core/base';
import type { Id, Project, View } from '@/core/record';
import { worldPoint, type WorldPoint } from '@/core/space';
import type { LengthStyle } from '@/core/units';
import {
  eyeFromWorld,
  warnBackWall,
  warnCone,
  warnEdgeOn,
  warnEyeLevel,
  warnFrame,
  warnMargins,
  warnOneLine,
  warnReach,
  warnViewingDistance,
  type SeenPart,
  type SetUp,
  type Stand,
  type ViewWarning,
} from '@/core/view';
import { edgeOfRow, type PreparedScene, type VisibleLines } from '@/core/visibility';
import type { Scene } from './perspective';

const between = (a: WorldPoint, b: WorldPoint, along: number): WorldPoint =>
  worldPoint(a.x + (b.x - a.x) * along, a.y + (b.y - a.y) * along, a.z + (b.z - a.z) * along);

/** The faces of which an edge is seen, by name. */
function seenFaces(scene: PreparedScene, lines: VisibleLines): ReadonlySet<Id> {
  const seen = new Set<Id>();
  for (let row = 0; row < lines.edge.length; row += 1)
    if (lines.seen[row] === 1) for (const face of edgeOfRow(scene, lines, row).faces) seen.add(face);
  return seen;
}

/** Seen parts of the edges of room and pieces; patterns and fittings make no coincidence worth a word. */
function seenParts(scene: Scene, setUp: SetUp, lines: VisibleLines): readonly SeenPart[] {
  const named = new Map(
    scene.bodies
      .filter((body) => body.kind === 'piece' || body.kind === 'room')
      .map((body) => [body.id, body.kind === 'room' ? 'the room' : body.name]),
  );
  const parts: SeenPart[] = [];
  for (let row = 0; row < lines.edge.length; row += 1) {
    if (lines.seen[row] !== 1) continue;
    const edge = edgeOfRow(scene.prepared, lines, row);
    const bodyName = named.get(edge.body);
    if (bodyName === undefined) continue;
    const depth = (along: number): number => eyeFromWorld(setUp, between(edge.from, edge.to, along)).depth;
    parts.push({
      edge: edge.id,
      body: edge.body,
      bodyName,
      u0: at(lines.picture, row * 4),
      v0: at(lines.picture, row * 4 + 1),
      u1: at(lines.picture, row * 4 + 2),
      v1: at(lines.picture, row * 4 + 3),
      depth0: depth(at(lines.along, row * 2)),
      depth1: depth(at(lines.along, row * 2 + 1)),
    });
  }
  return parts;
}

/**
 * Everything about this standing place that spoils the drawing, each with its figure and what makes it go. Asks for exact lines: a quick
 * picture does not know what is hidden.
 */
export function standWarnings(
  project: Project,
  view: View,
  scene: Scene,
  stand: Stand,
  lines: VisibleLines,
  style: LengthStyle,
): readonly ViewWarning[] {
  const { setUp } = stand;
  const faces = seenFaces(scene.prepared, lines);
  return [
    ...warnViewingDistance(project, view, setUp, style),
    ...warnFrame(view, setUp, style, project),
    ...warnCone(project, view, setUp, scene.bodies, style),
    ...warnMargins(view, style),
    ...warnReach(project, view, setUp, stand.setOut, style),
    ...warnBackWall(project, view, setUp, style),
    ...warnEyeLevel(view, setUp, scene.bodies, faces, style),
    ...warnEdgeOn(view, setUp, scene.bodies, faces, style),
    ...warnOneLine(view, setUp, seenParts(scene, setUp, lines), style),
  ];
}
