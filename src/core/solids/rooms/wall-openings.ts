import { along2 } from '@/core/geometry';
import type { Id, WallRun } from '@/core/record';
import { planPoint, worldFromPlan, type WorldPoint } from '@/core/space';
import type { BodyBuilder, LoopCorner } from '../body-builder';
import type { Cut } from '../cut';
import { openingKindOf } from '../openings';
import type { Named, OpeningLayer } from '../role';
import type { Corners } from './corners';
import { arcRadius, DOWN, level, opposite, UP } from './directions';
import { openingFace, openingLine } from './room-names';

const CUT_CORNERS = ['left-sill', 'right-sill', 'right-head', 'left-head'] as const;
type CutCorner = (typeof CUT_CORNERS)[number];
/** The four sides of an opening, each from one corner to the next. */
const CUT_SIDES = [
  { side: 'sill', from: 'left-sill', to: 'right-sill' },
  { side: 'right', from: 'right-sill', to: 'right-head' },
  { side: 'head', from: 'right-head', to: 'left-head' },
  { side: 'left', from: 'left-head', to: 'left-sill' },
] as const;

const layerOf = (cut: Cut, layer: 'face' | 'back'): OpeningLayer => (cut.far ? 'far' : layer);
const cutLine = (cut: Cut, layer: 'face' | 'back', own: string): Named =>
  openingLine(cut.opening.id, layerOf(cut, layer), own);
const cutCorner = (cut: Cut, layer: 'face' | 'back', corner: CutCorner): Id => cutLine(cut, layer, corner).id;
const headArc = (cut: Cut, layer: 'face' | 'back'): Id => cutLine(cut, layer, 'head').id;

function cutLoop(cut: Cut, layer: 'face' | 'back'): LoopCorner[] {
  return CUT_CORNERS.map((corner) => ({
    corner: cutCorner(cut, layer, corner),
    ...(corner === 'right-head' && cut.rise > 0 ? { arc: headArc(cut, layer) } : {}),
  }));
}
/** The hole that an opening is in its wall's face. */
export const holeLoop = (cut: Cut): LoopCorner[] => cutLoop(cut, 'face');

/** Corners, edges, reveal and back of an opening in one wall. */
export function openingParts(builder: BodyBuilder, corners: Corners, run: WallRun, cut: Cut, floorZ: number): void {
  const { opening, reveal, rise } = cut;
  const wallId = run.wall.id;
  const deep = reveal > 0 && !cut.far;
  const layers = deep ? (['face', 'back'] as const) : (['face'] as const);
  const point = (along: number, height: number, behind: number): WorldPoint => {
    const p = along2(along2(run.start, run.run, along), run.intoRoom, -behind);
    return worldFromPlan(planPoint(p.x, p.y), floorZ + height);
  };
  const place: Readonly<Record<CutCorner, readonly [number, number]>> = {
    'left-sill': [cut.left, cut.sill],
    'right-sill': [cut.right, cut.sill],
    'right-head': [cut.right, cut.spring],
    'left-head': [cut.left, cut.spring],
  };
  const belongsTo = opening.throughWallId === null ? [wallId] : [wallId, opening.throughWallId];
  const width = cut.right - cut.left;
  const radius = rise > 0 ? arcRadius(width, rise) : 0;
  const half = rise > 0 ? 2 * Math.atan((2 * rise) / width) : 0;
  const sector = [Math.PI / 2 - half, Math.PI / 2 + half] as const;
  const revealFace = (side: string): Named => openingFace(opening.id, 'reveal', side);
  const revealId = (side: string): Id => revealFace(side).id;
  const leaf = openingFace(opening.id, 'leaf');
  const backed = !cut.far && (openingKindOf(opening.kind)?.backed(opening) ?? false);
  const facesAt = (layer: 'face' | 'back', side: string): Id[] => {
    if (layer === 'face' && deep) return [wallId];
    const list = deep ? [revealId(side)] : [wallId];
    return backed && (layer === 'back' || !deep) ? [...list, leaf.id] : list;
  };
  for (const layer of layers) {
    for (const corner of CUT_CORNERS) {
      const [along, height] = place[corner];
      // An opening's corners keep their own names even where one lies on a corner of the room.
      const named = cutLine(cut, layer, corner);
      if (!builder.has(named.id)) builder.vertex(named, point(along, height, layer === 'back' ? reveal : 0));
    }
    if (rise > 0)
      builder.arc({
        ...cutLine(cut, layer, 'head'),
        circle: {
          centre: point((cut.left + cut.right) / 2, cut.spring + rise - radius, layer === 'back' ? reveal : 0),
          first: level(run.run),
          second: UP,
          radius,
        },
        from: sector[0],
        to: sector[1],
        faces: facesAt(layer, 'head'),
      });
    for (const { side, from, to } of CUT_SIDES)
      if (side !== 'head' || rise === 0)
        builder.edge(
          cutLine(cut, layer, side),
          cutCorner(cut, layer, from),
          cutCorner(cut, layer, to),
          facesAt(layer, side),
        );
  }
  if (backed)
    builder.face({
      ...leaf,
      part: opening.id,
      loops: [cutLoop(cut, deep ? 'back' : 'face')],
      normalToward: level(run.intoRoom),
      seen: 'room-side',
      belongsTo: [wallId],
    });
  if (!deep) return;
  const into = { sill: UP, head: DOWN, left: level(run.run), right: opposite(level(run.run)) };
  for (const { side, from, to } of CUT_SIDES) {
    const previous = CUT_SIDES.find((other) => other.to === from)?.side ?? side;
    const smooth = rise > 0 && Math.abs(half - Math.PI / 2) < 1e-6 && (side === 'head' || side === 'left');
    if (!smooth)
      builder.edge(
        openingLine(opening.id, 'reveal', from),
        cutCorner(cut, 'face', from),
        cutCorner(cut, 'back', from),
        [revealId(side), revealId(previous)],
      );
    if (side === 'head' && rise > 0) {
      builder.round({
        ...revealFace('head'),
        part: opening.id,
        surface: 'cylinder',
        centre: point((cut.left + cut.right) / 2, cut.spring + rise - radius, 0),
        axis: opposite(level(run.intoRoom)),
        first: level(run.run),
        second: UP,
        from: { along: 0, radius },
        to: { along: reveal, radius },
        radius,
        sector,
        looks: 'inward',
        seen: 'room-side',
        belongsTo,
      });
      continue;
    }
    builder.face({
      ...revealFace(side),
      part: opening.id,
      loops: [
        [
          cutCorner(cut, 'face', from),
          cutCorner(cut, 'face', to),
          cutCorner(cut, 'back', to),
          cutCorner(cut, 'back', from),
        ],
      ],
      normalToward: into[side],
      seen: 'room-side',
      belongsTo,
    });
  }
}
