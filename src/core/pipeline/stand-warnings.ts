import { at, capital } from '@/core/base';
import { insideLoops } from '@/core/geometry';
import { changeView, nameOfThing, outlineOf, type Id, type Project, type View } from '@/core/record';
import { kindOf, type Body } from '@/core/solids';
import { worldPoint, type WorldPoint } from '@/core/space';
import type { LengthStyle } from '@/core/units';
import {
  eyeFromWorld,
  ofOwnRoom,
  outOfReach,
  standOf,
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

/** The bodies of the room one looks into, and those of others of which something is seen: what stands behind a shut door is no matter of this view. */
function inSight(scene: Scene, setUp: SetUp, lines: VisibleLines): readonly Body[] {
  const seen = new Set<Id>();
  for (let row = 0; row < lines.edge.length; row += 1)
    if (lines.seen[row] === 1) seen.add(edgeOfRow(scene.prepared, lines, row).body);
  return scene.bodies.filter((body) => ofOwnRoom(setUp, body) || seen.has(body.id));
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

/** How many things are named that stand outside the cone. */
const MOST_NAMED = 3;

/** Frame and pieces outside the cone are one matter, with one way out: the farthest step back. Pieces behind the eye are another. */
function coneTogether(
  project: Project,
  view: View,
  frame: readonly ViewWarning[],
  pieces: readonly ViewWarning[],
): readonly ViewWarning[] {
  const outside = pieces.filter((one) => one.kind === 'outside-cone');
  const others = pieces.filter((one) => one.kind !== 'outside-cone');
  const [first] = frame;
  const also = outside.flatMap((one) => one.about ?? []);
  if (first) {
    const told = outside.length > 0 ? ` Outside the cone: ${namesOf(project, outside)}.` : '';
    return [{ ...first, message: `${first.message}${told}`, also }, ...others];
  }
  if (outside.length < 2) return [...others, ...outside];
  // The one that asks for most stands for all: what brings it in brings all in.
  const back = (one: ViewWarning): number => {
    const to = one.remedies[0]?.change.station ?? view.station;
    return Math.hypot(to.x - view.station.x, to.y - view.station.y);
  };
  const farthest = outside.reduce((most, one) => (back(one) > back(most) ? one : most));
  const told = namesOf(
    project,
    outside.filter((one) => one !== farthest),
  );
  return [...others, { ...farthest, also, message: `${farthest.message} Outside as well: ${told}.` }];
}

/** Names of what warnings are about: a few, then how many more. */
function namesOf(project: Project, warnings: readonly ViewWarning[]): string {
  const names = warnings.flatMap((one) => (one.about === null ? [] : [nameOfThing(project, one.about)]));
  const more = names.length - MOST_NAMED;
  return `${names.slice(0, MOST_NAMED).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}

/** Whether a point of the plan lies in any room. */
const inARoom = (project: Project, p: { readonly x: number; readonly y: number }): boolean =>
  project.spaces.some((space) => insideLoops([outlineOf(space).corners.map((corner) => corner.at)], p.x, p.y));

/** What a way out costs besides: a stand that leaves the room, a point that leaves the board. It is said where it is offered. */
function withConsequences(project: Project, view: View, now: Stand, warning: ViewWarning): ViewWarning {
  const lost = (stand: Stand, of: View): readonly string[] =>
    outOfReach(of, stand.setOut).map(({ mark }) => mark.label);
  const before = new Set(lost(now, view));
  const remedies = warning.remedies.map((remedy) => {
    const changed = changeView(project, view.id, remedy.change);
    const then = changed.views.find((one) => one.id === view.id) ?? view;
    const stand = standOf(changed, then);
    const left = inARoom(project, view.station) && !inARoom(changed, then.station);
    const off = stand.ok ? lost(stand.value, then).filter((label) => !before.has(label)) : [];
    const costs = [
      ...(left ? ['outside the room'] : []),
      ...(off.length > 0 ? [`${off.join(' and ')} out of reach`] : []),
    ];
    return costs.length === 0 ? remedy : { ...remedy, label: `${remedy.label} (${costs.join('; ')})` };
  });
  const message = capital(warning.message);
  return { ...warning, message, remedies };
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
  const stairs = new Set(project.pieces.filter((one) => kindOf(one.kind)?.group === 'stairs').map((one) => one.id));
  const found = [
    ...warnViewingDistance(project, view, setUp, style),
    ...coneTogether(
      project,
      view,
      warnFrame(view, setUp, style, project),
      warnCone(project, view, setUp, inSight(scene, setUp, lines), style),
    ),
    ...warnMargins(view, style),
    ...warnReach(project, view, setUp, stand.setOut, style),
    ...warnBackWall(project, view, setUp, style),
    ...warnEyeLevel(view, setUp, scene.bodies, faces, style, stairs),
    ...warnEdgeOn(project, view, setUp, scene.bodies, faces, style),
    ...warnOneLine(view, setUp, seenParts(scene, setUp, lines), style),
  ];
  return found.map((one) => withConsequences(project, view, stand, one));
}
