import {
  nameOfThing,
  partRings,
  toldOfRecord,
  toldOfView,
  type RingTold,
  type Change,
  type Id,
  type Project,
  type View,
} from '@/core/record';
import { ownerOf, type Body, type Contradiction } from '@/core/solids';
import type { WorldPoint } from '@/core/space';
import type { ViewWarning } from '@/core/view';

/** A box about what a finding is of, world mm. */
interface Place {
  readonly least: readonly [number, number, number];
  readonly most: readonly [number, number, number];
}

function boxOf(points: readonly WorldPoint[]): Place | null {
  if (points.length === 0) return null;
  const over = (pick: (...values: number[]) => number): [number, number, number] => [
    pick(...points.map((p) => p.x)),
    pick(...points.map((p) => p.y)),
    pick(...points.map((p) => p.z)),
  ];
  return { least: over(Math.min), most: over(Math.max) };
}

/** Where a thing stands: by its own body, or by what of another body is its own, as a wall or an opening is of a room. */
function placeOf(bodies: readonly Body[], id: Id): Place | null {
  const own = bodies.find((body) => body.id === id)?.vertices ?? [];
  const part = bodies.flatMap((body) => body.vertices.filter((vertex) => ownerOf(vertex.role) === id));
  return boxOf([...own, ...part].map((vertex) => vertex.at));
}

/**
 * Contradictions of the record and warnings about where one stands: in words, where they are, and the ways out as changes that `--apply` takes.
 */
export function writeFindings(
  project: Project,
  view: View,
  bodies: readonly Body[],
  contradictions: readonly Contradiction[],
  warnings: readonly ViewWarning[],
): string {
  const about = (id: Id) => ({ id, name: nameOfThing(project, id), place: placeOf(bodies, id) });
  /** The reason why it was laid aside; null where it was not. */
  const aside = (ring: RingTold): string | null =>
    partRings([ring], (one) => one, project).aside[0]?.laid.reason ?? null;
  const value = {
    kind: 'bathyskop-findings',
    version: 1,
    project: project.id,
    view: view.id,
    contradictions: contradictions.map((one) => ({
      kind: one.kind,
      about: about(one.about),
      message: one.message,
      laidAside: aside(toldOfRecord(one)),
      remedies: one.remedies,
    })),
    warnings: warnings.map((one) => ({
      kind: one.kind,
      about:
        one.about === null
          ? {
              id: null,
              name: 'where one stands',
              place: boxOf([{ ...view.station, z: view.eyeHeight.mm } as WorldPoint]),
            }
          : about(one.about),
      message: one.message,
      laidAside: aside(toldOfView(view, one)),
      remedies: one.remedies.map(({ label, change }) => ({
        label,
        change: { kind: 'change-view', viewId: view.id, fields: change } satisfies Change,
      })),
    })),
  };
  return `${JSON.stringify(value, null, 1)}\n`;
}
