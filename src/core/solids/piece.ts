import type { Vector3 } from '@/core/geometry';
import { mmOf, type Footprint, type Piece } from '@/core/record';
import type { Body } from './body';
import { partsBody } from './parts-body';
import { copyBody, type Models } from './copies';
import type { Axes } from './axes';
import { boxBody } from './box';
import { likenessOf, refusalOf, valuesOf, type Kind } from './kind';
import { kindOf } from './kinds';

/** A kind's usual uncertainty of print: whole millimetres, for the reasons that only decide whether a body exists. */
const plain = (mm: number): string => `${Math.round(mm)} mm`;

/** The piece's own axes in the world: x along its width, y from back to front, z up from its underside. */
export function axesOf(piece: Piece, footprint: Footprint, floorZ: number): Axes {
  const flat = ({ x, y }: { x: number; y: number }): Vector3 => ({ x, y, z: 0 });
  const corner = footprint.corners[piece.mirrored ? 'back-right' : 'back-left'];
  const x = flat(footprint.widthDirection);
  return {
    origin: { x: corner.x, y: corner.y, z: floorZ + mmOf(piece.lift) },
    x: piece.mirrored ? { x: -x.x, y: -x.y, z: 0 } : x,
    y: flat(footprint.depthDirection),
    z: { x: 0, y: 0, z: 1 },
  };
}

/** The body of a kind's parts in given axes: a copy of the model of all such pieces, which is made where it is not among the models yet. */
export function kindBody(kind: Kind, piece: Piece, axes: Axes, models: Models = new Map()): Body {
  const { origin, ...directions } = axes;
  const likeness = likenessOf(kind, piece) + piece.seams + JSON.stringify(directions);
  let model = models.get(likeness);
  if (!model) {
    const plain = partsBody('', kind.parts(valuesOf(kind, piece)), { origin: { x: 0, y: 0, z: 0 }, ...directions });
    model = piece.seams === 'shown' ? { ...plain, seams: 'shown' } : plain;
    models.set(likeness, model);
  }
  return copyBody({ likeness, model, moved: origin }, piece.id, piece.name);
}

/** A piece as its kind makes it. What cannot be made as it is said stands as its bare box: the record's findings say why. */
export function pieceBody(piece: Piece, footprint: Footprint, floorZ: number, models?: Models): Body {
  const kind = kindOf(piece.kind);
  if (piece.kind === 'box' || !kind || refusalOf(kind, piece, plain) !== null) return boxBody(piece, footprint, floorZ);
  return kindBody(kind, piece, axesOf(piece, footprint, floorZ), models);
}
