import { nameWith } from './bounds';
import { err, ok, type Result } from '@/core/base';
import { along2, bearingVector } from '@/core/geometry';
import { normaliseBearing, type Degrees } from '@/core/units';
import { leftAlongWall } from './along-wall';
import { wallOf } from './lookup';
import { outlineOf } from './outline';
import { footprintOf } from './place';
import { USUAL_WAY, type PlanChoice, type PlanWay } from './plan-way';
import { type Opening, type Piece, type Project, type ReachAid, type Space, type View, type Wall } from './project';
import { claimOf, mmOf, newSize, withClaim, type Id, type NewClaim, type Size } from './size';

/** Why an edit was refused. */
export interface EditError {
  readonly reason:
    'unknown' | 'refused-place' | 'outside-wall' | 'id-in-use' | 'last-view' | 'bad-value' | 'refused-outline';
  readonly message: string;
}
export type Edit = Result<Project, EditError>;

export const replace = <T extends { readonly id: Id }>(
  list: readonly T[],
  id: Id,
  change: (one: T) => T,
): readonly T[] => list.map((one) => (one.id === id ? change(one) : one));

/** Ids of all sizes within a thing of a list, found once: an edit leaves all others as they are. */
const sizesWithin = new WeakMap<object, ReadonlySet<Id>>();

function collectSizes(value: unknown, into: Set<Id>): void {
  if (typeof value !== 'object' || value === null) return;
  if ('claims' in value) into.add((value as Size).id);
  else for (const part of Object.values(value)) collectSizes(part, into);
}

function sizesOf(thing: object): ReadonlySet<Id> {
  const known = sizesWithin.get(thing);
  if (known) return known;
  const found = new Set<Id>();
  collectSizes(thing, found);
  sizesWithin.set(thing, found);
  return found;
}

/** Finds all sizes of a large record ahead of the first edit, in steps; yields what part is done. */
export function* findSizesInSteps({ pieces }: Project): Generator<number, void> {
  for (const [i, piece] of pieces.entries()) {
    sizesOf(piece);
    yield (i + 1) / pieces.length;
  }
}

/** Applies `change` to the size with this id wherever it stands, sharing all that does not change. */
export function mapSize<T>(value: T, sizeId: Id, change: (size: Size) => Size): T {
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) {
    // Copied only where something changes: with a thousand pieces nearly nothing does.
    let next: unknown[] | null = null;
    value.forEach((one: unknown, i) => {
      if (typeof one !== 'object' || one === null || ('id' in one && !sizesOf(one).has(sizeId))) return;
      const mapped = mapSize(one, sizeId, change);
      if (mapped !== one) (next ??= [...(value as unknown[])])[i] = mapped;
    });
    return (next ?? value) as T;
  }
  const record = value as Record<string, unknown>;
  if ('claims' in record) return record.id === sizeId ? (change(record as unknown as Size) as T) : value;
  let next: Record<string, unknown> | null = null;
  for (const key in record) {
    const part = record[key];
    const mapped = mapSize(part, sizeId, change);
    if (mapped !== part) (next ??= { ...record })[key] = mapped;
  }
  return (next ?? value) as T;
}

/** Puts a new claim in force for one size. Refused when the piece it belongs to could no longer be placed. */
export function claimSize(project: Project, sizeId: Id, claim: NewClaim): Edit {
  if (!Number.isFinite(claim.mm)) return err({ reason: 'bad-value', message: 'That is not a length.' });
  let known = false;
  const next = mapSize(project, sizeId, (size) => {
    known = true;
    return withClaim(size, claim);
  });
  return known ? ok(next) : err({ reason: 'unknown', message: 'That size is not in this project.' });
}

/** Corrects the figure in force, keeping its source: a slip of the typing is not a second claim. */
export function correctSize(
  project: Project,
  sizeId: Id,
  figure: { readonly mm: number; readonly asTyped: string },
): Edit {
  if (!Number.isFinite(figure.mm)) return err({ reason: 'bad-value', message: 'That is not a length.' });
  let known = false;
  const next = mapSize(project, sizeId, (size) => {
    known = true;
    const now = claimOf(size);
    if (now.mm === figure.mm && now.asTyped === figure.asTyped) return size;
    return {
      ...size,
      claims: size.claims.map((claim) => (claim.id === size.inForce ? { ...claim, ...figure } : claim)),
    };
  });
  return known ? ok(next) : err({ reason: 'unknown', message: 'That size is not in this project.' });
}

/** Chooses among the claims of a size: how a contradiction is settled without losing what was said. */
export function putInForce(project: Project, sizeId: Id, claimId: Id): Edit {
  let known = false;
  const next = mapSize(project, sizeId, (size) => {
    if (!size.claims.some((claim) => claim.id === claimId)) return size;
    known = true;
    return size.inForce === claimId ? size : { ...size, inForce: claimId };
  });
  return known ? ok(next) : err({ reason: 'unknown', message: 'That claim is not in this project.' });
}

export const renameProject = (project: Project, name: string): Project => ({ ...project, name });

export function addOpening(project: Project, opening: Opening): Edit {
  const owner = wallOf(project, opening.wallId);
  if (!owner) return err({ reason: 'unknown', message: `${opening.name} names a wall that is not in this project.` });
  if (project.openings.some((one) => one.id === opening.id))
    return err({ reason: 'id-in-use', message: 'That name is taken by another opening.' });
  return ok({ ...project, openings: [...project.openings, opening] });
}

/** Puts a piece into the record; refused when its two walls do not fix a place. */
export function addPiece(project: Project, piece: Piece): Edit {
  if (project.pieces.some((one) => one.id === piece.id))
    return err({ reason: 'id-in-use', message: 'That name is taken by another piece.' });
  const place = footprintOf(project, piece);
  if (!place.ok) return err({ reason: 'refused-place', message: place.error.message });
  return ok({ ...project, pieces: [...project.pieces, piece] });
}

/** A size changed by a rule, wherever it stands. */
export function resize(project: Project, sizeId: Id, mm: number, change: (size: Size) => Size): Edit {
  if (!Number.isFinite(mm)) return err({ reason: 'bad-value', message: 'That is not a length.' });
  let known = false;
  const next = mapSize(project, sizeId, (size) => {
    known = true;
    return change(size);
  });
  return known ? ok(next) : err({ reason: 'unknown', message: 'That size is not in this project.' });
}

export function changePiece(project: Project, pieceId: Id, change: Partial<Omit<Piece, 'id'>>): Edit {
  const piece = project.pieces.find((one) => one.id === pieceId);
  if (!piece) return err({ reason: 'unknown', message: 'That piece is not in this project.' });
  const changed = { ...piece, ...change };
  const place = footprintOf(project, changed);
  if (!place.ok) return err({ reason: 'refused-place', message: place.error.message });
  return ok({ ...project, pieces: replace(project.pieces, pieceId, () => changed) });
}

export const turnPiece = (project: Project, pieceId: Id, turnDeg: Degrees): Edit => {
  const piece = project.pieces.find((one) => one.id === pieceId);
  if (!piece) return err({ reason: 'unknown', message: 'That piece is not in this project.' });
  return changePiece(project, pieceId, { place: { ...piece.place, turnDeg: normaliseBearing(turnDeg) } });
};

/** What helped the reach of points of things that are gone goes with them; where a point serves others too, it stays theirs. */
export function withoutServed(project: Project, gone: ReadonlySet<Id>): Project {
  const served = (view: View): boolean => view.aids.some((aid) => aid.mark.serves.some((one) => gone.has(one.id)));
  if (!project.views.some(served)) return project;
  const aidLeft = (aid: ReachAid): ReachAid[] => {
    const serves = aid.mark.serves.filter((one) => !gone.has(one.id));
    return serves.length > 0 || aid.mark.serves.length === 0 ? [{ ...aid, mark: { ...aid.mark, serves } }] : [];
  };
  return { ...project, views: project.views.map((view) => ({ ...view, aids: view.aids.flatMap(aidLeft) })) };
}

/** Takes a piece out, also of the plans. */
export function removePiece(project: Project, pieceId: Id): Project {
  return withoutServed(
    {
      ...project,
      pieces: project.pieces.filter((piece) => piece.id !== pieceId),
      plans: plansOf(project.plans, (id) => id !== pieceId),
    },
    new Set([pieceId]),
  );
}

export interface InsertedCorner {
  readonly wallId: Id;
  /** Distance from the wall's start corner, mm. */
  readonly at: number;
  /** Ids for the new corner and for the wall to its right. */
  readonly cornerId: Id;
  readonly newWallId: Id;
}

/** Splits a wall at a point along it. The left part keeps the wall's id; openings to the right of the point move to the new wall. */
export function insertCorner(project: Project, inserted: InsertedCorner): Edit {
  const owner = wallOf(project, inserted.wallId);
  if (!owner) return err({ reason: 'unknown', message: 'That wall is not in this project.' });
  const { space, wall, index } = owner;
  const length = mmOf(wall.length);
  if (!(inserted.at > 0 && inserted.at < length)) {
    return err({ reason: 'outside-wall', message: `A new corner must lie between the ends of ${wall.name}.` });
  }
  const estimated = (mm: number): NewClaim => ({ mm, asTyped: String(mm), source: 'estimated', uncertaintyMm: 0 });
  const left: Wall = { ...wall, length: withClaim(wall.length, estimated(inserted.at)) };
  const right: Wall = {
    id: inserted.newWallId,
    name: nameWith(wall.name, ', right part'),
    startCorner: inserted.cornerId,
    bearingDeg: wall.bearingDeg,
    length: newSize(`${inserted.newWallId}/length`, estimated(length - inserted.at)),
  };
  const endCorner = space.walls[(index + 1) % space.walls.length]?.startCorner;
  const openings = project.openings.map((opening): Opening => {
    if (opening.wallId !== wall.id) return opening;
    const fromStart = opening.fromCorner === wall.startCorner;
    const near = leftAlongWall(opening, { endCorner: endCorner ?? '', lengthMm: length });
    const isRight = near >= inserted.at;
    if (!isRight)
      return fromStart
        ? opening
        : { ...opening, fromCorner: wall.startCorner, offset: withClaim(opening.offset, estimated(near)) };
    if (opening.fromCorner === endCorner) return { ...opening, wallId: right.id };
    return {
      ...opening,
      wallId: right.id,
      fromCorner: inserted.cornerId,
      offset: withClaim(opening.offset, estimated(near - inserted.at)),
    };
  });
  const walls = [...space.walls.slice(0, index), left, right, ...space.walls.slice(index + 1)];
  return ok({ ...project, openings, spaces: replace(project.spaces, space.id, (one): Space => ({ ...one, walls })) });
}

/** Moves a whole room so that its first corner lies at a given place; nothing inside it changes. */
export function moveOrigin(project: Project, spaceId: Id, bearingDeg: Degrees, distance: number): Project {
  return {
    ...project,
    spaces: replace(project.spaces, spaceId, (space) => {
      const origin = along2(space.origin, bearingVector(bearingDeg), distance);
      return { ...space, origin };
    }),
  };
}

/** Whoever changes one of these puts the view where it is by hand. */
const PUTS_BY_HAND = [
  'station',
  'lineOfSightBearingDeg',
  'picturePlane',
  'scaleDenominator',
  'frame',
  'centreOfVisionOnSheet',
] as const satisfies readonly (keyof View)[];

export function changeView(project: Project, viewId: Id, change: Partial<Omit<View, 'id'>>): Project {
  // Another sheet brings its drawing's place along: nobody has moved it.
  const byHand = !('sheet' in change) && PUTS_BY_HAND.some((field) => field in change);
  const by = byHand ? { standsBy: 'hand' as const } : {};
  return { ...project, views: replace(project.views, viewId, (view) => ({ ...view, ...by, ...change })) };
}

/** A view's plan changed; one for each view, made when it is first asked for. */
function changePlan(project: Project, viewId: Id, change: (plan: PlanChoice) => PlanChoice): Project {
  const current = project.plans.find((plan) => plan.viewId === viewId);
  const plan: PlanChoice = current ?? { id: `plan-${viewId}`, viewId, pieceId: null, ...USUAL_WAY, pieces: [] };
  const changed = change(plan);
  if (changed === current) return project;
  return { ...project, plans: [...project.plans.filter((one) => one.viewId !== viewId), changed] };
}

/** Chooses the piece at hand in a view. */
export const choosePiece = (project: Project, viewId: Id, pieceId: Id): Project =>
  changePlan(project, viewId, (plan) => (plan.pieceId === pieceId ? plan : { ...plan, pieceId }));

/** Chooses the way a view is drawn. */
export const choosePlanWay = (project: Project, viewId: Id, way: Partial<PlanWay>): Project =>
  changePlan(project, viewId, (plan) => ({ ...plan, ...way }));

/** Chooses a way of its own for a piece in a view, or, with null, the one the view is drawn in. */
export const choosePieceWay = (project: Project, viewId: Id, pieceId: Id, way: PlanWay | null): Project =>
  changePlan(project, viewId, (plan) => ({
    ...plan,
    pieces: [
      ...plan.pieces.filter((one) => one.pieceId !== pieceId),
      ...(way ? [{ pieceId, school: way.school, begin: way.begin }] : []),
    ],
  }));

/** The way a thing is drawn in a view. */
export function wayOf({ plans }: Pick<Project, 'plans'>, viewId: Id, thing: Id): PlanWay {
  const plan = plans.find((one) => one.viewId === viewId);
  return plan?.pieces.find((one) => one.pieceId === thing) ?? plan ?? USUAL_WAY;
}

/** Plans without pieces that are gone. */
export const plansOf = (plans: readonly PlanChoice[], isThere: (pieceId: Id) => boolean): readonly PlanChoice[] =>
  plans.map((plan) => ({
    ...plan,
    pieceId: plan.pieceId !== null && isThere(plan.pieceId) ? plan.pieceId : null,
    pieces: plan.pieces.filter((one) => isThere(one.pieceId)),
  }));

/** The room corner with this id, in plan. */
export function cornerPoint(project: Pick<Project, 'spaces'>, cornerId: Id) {
  for (const space of project.spaces) {
    const corner = outlineOf(space).corners.find((one) => one.id === cornerId);
    if (corner) return corner.at;
  }
  return undefined;
}
