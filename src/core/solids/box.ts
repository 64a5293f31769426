import { mmOf, PIECE_CORNERS, type Footprint, type Piece, type PieceCorner } from '@/core/record';
import { worldFromPlan } from '@/core/space';
import { BodyBuilder } from './body-builder';
import type { Body } from './body';
import { spoken, type Named } from './role';

/** The sides of a box with the two corners each runs between, left to right as seen from outside. */
const SIDES: readonly { readonly name: string; readonly from: PieceCorner; readonly to: PieceCorner }[] = [
  { name: 'front', from: 'front-left', to: 'front-right' },
  { name: 'right', from: 'front-right', to: 'back-right' },
  { name: 'back', from: 'back-right', to: 'back-left' },
  { name: 'left', from: 'back-left', to: 'front-left' },
];

/** A box piece: eight corners, six faces outward, twelve edges named `piece/box/…`. */
export function boxBody(piece: Piece, footprint: Footprint, floorZ: number): Body {
  const builder = new BodyBuilder();
  const part = `${piece.id}/box`;
  const name = (own: string): string => `${part}/${own}`;
  const named = (own: string, which = spoken(own), level: 'top' | 'bottom' | null = null): Named => ({
    id: name(own),
    role: { is: 'crate', ownerId: piece.id, which, level },
  });
  const bottom = floorZ + mmOf(piece.lift);
  const top = bottom + mmOf(piece.height);
  for (const corner of PIECE_CORNERS) {
    builder.vertex(
      named(`${corner}-bottom`, spoken(corner), 'bottom'),
      worldFromPlan(footprint.corners[corner], bottom),
    );
    builder.vertex(named(`${corner}-top`, spoken(corner), 'top'), worldFromPlan(footprint.corners[corner], top));
  }
  const { widthDirection: w, depthDirection: d } = footprint;
  const outward = {
    front: { x: d.x, y: d.y, z: 0 },
    back: { x: -d.x, y: -d.y, z: 0 },
    right: { x: w.x, y: w.y, z: 0 },
    left: { x: -w.x, y: -w.y, z: 0 },
  };
  const ring = (level: string): string[] =>
    (['front-left', 'front-right', 'back-right', 'back-left'] as const).map((corner) => name(`${corner}-${level}`));
  builder.face({
    ...named('top', '', 'top'),
    part,
    loops: [ring('top')],
    normalToward: { x: 0, y: 0, z: 1 },
    seen: 'both-sides',
  });
  builder.face({
    ...named('bottom', '', 'bottom'),
    part,
    loops: [ring('bottom')],
    normalToward: { x: 0, y: 0, z: -1 },
    seen: 'both-sides',
  });
  SIDES.forEach((side, index) => {
    const loop = [`${side.from}-bottom`, `${side.to}-bottom`, `${side.to}-top`, `${side.from}-top`].map(name);
    builder.face({
      ...named(side.name),
      part,
      loops: [loop],
      normalToward: outward[side.name as keyof typeof outward],
      seen: 'both-sides',
    });
    builder.edge(named(`bottom-${side.name}`), name(`${side.from}-bottom`), name(`${side.to}-bottom`), [
      name('bottom'),
      name(side.name),
    ]);
    builder.edge(named(`top-${side.name}`), name(`${side.from}-top`), name(`${side.to}-top`), [
      name('top'),
      name(side.name),
    ]);
    const before = SIDES[(index + 3) % 4]?.name ?? '';
    builder.edge(named(side.from), name(`${side.from}-bottom`), name(`${side.from}-top`), [
      name(side.name),
      name(before),
    ]);
  });
  return builder.build(piece.id, 'piece', piece.name);
}
