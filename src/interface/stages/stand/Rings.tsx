'use client';
import { ownerOf, type Body } from '@/core/solids';
import { eyeFromWorld, type SetUp } from '@/core/view';
import { boxOf, PencilRings, planScreen, type Pose } from '@/interface/board';

interface RingsProps {
  /** Ids of what is warned of: rooms, openings, pieces; null stands for where one stands. */
  readonly about: ReadonlySet<string | null>;
  readonly bodies: readonly Body[];
  readonly setUp: SetUp;
  readonly pose: Pose;
  readonly colour: string;
}

/** Pencil rings on the plan. An opening or a wall is ringed by its own corners, a room whole. */
export function Rings({ about, bodies, setUp, pose, colour }: RingsProps) {
  const ringed = bodies.flatMap((body) => {
    const owners = [body.id, ...new Set(body.vertices.map((vertex) => ownerOf(vertex.role)))];
    return owners
      .filter((id) => about.has(id))
      .map((id) => ({
        id,
        vertices: id === body.id ? body.vertices : body.vertices.filter((one) => ownerOf(one.role) === id),
      }));
  });
  const station = planScreen(pose, setUp, 0, 0);
  const boxes = [...new Map(ringed.map((one) => [one.id, one])).values()].map(({ id, vertices }) => {
    const at = vertices.map((vertex) => {
      const eye = eyeFromWorld(setUp, vertex.at);
      return planScreen(pose, setUp, eye.lateral, eye.depth);
    });
    return boxOf(id, at);
  });
  const where = {
    id: 'station',
    left: station.x - 17,
    right: station.x + 17,
    top: station.y - 13,
    bottom: station.y + 13,
  };
  return (
    <g pointerEvents="none">
      <PencilRings boxes={about.has(null) ? [...boxes, where] : boxes} blank={9} colour={colour} />
    </g>
  );
}
