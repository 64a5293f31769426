import * as yup from 'yup';
import {
  MARK_ROLES,
  PIECE_CORNERS,
  PLAN_BEGINS,
  PROJECT_KIND,
  PROJECT_VERSION,
  SCALE_FIGURES,
  SCHOOL_NAMES,
  SET_OUT_ZEROS,
  SOURCES,
  SURFACE_KINDS,
} from '@/core/record';

/**
 * The project file's shape, version 4. The published JSON Schema beside this file says the same; a test holds both to one verdict.
 * Strict throughout: nothing is cast, nothing unknown is let through, so nothing is lost on the way in.
 */
const object = <T extends yup.ObjectShape>(shape: T) =>
  yup.object(shape).noUnknown('has a field this version does not know: ${unknown}').strict().required('is missing');
const list = <T extends yup.ISchema<unknown>>(one: T) => yup.array().of(one).strict().required('is missing');
const text = () => yup.string().strict().defined('is missing').nonNullable('is missing').min(1, 'is empty');
const number = () => yup.number().strict().required('is missing').typeError('is not a number');
const positive = () => number().moreThan(0, 'must be more than nought');
const among = <T>(values: readonly T[]) =>
  yup
    .mixed((value): value is T & {} => values.includes(value as T))
    .strict()
    .required('is missing')
    .typeError(`must be one of ${values.join(', ')}`);
const bearing = () =>
  number().min(0, 'must be a bearing from 0 to below 360').lessThan(360, 'must be a bearing from 0 to below 360');

/** Values by names that are not fixed here: each of one shape. */
const named = (one: yup.ISchema<unknown>) =>
  yup.lazy((value: unknown) => {
    const keys = typeof value === 'object' && value !== null && !Array.isArray(value) ? Object.keys(value) : [];
    return object(Object.fromEntries(keys.map((key) => [key, one])) as yup.ObjectShape);
  });
/** One of several shapes, told apart by one field. */
const either = <K extends string>(field: K, shapes: Readonly<Record<string, yup.ISchema<unknown>>>) => {
  const none = object({ [field]: among(Object.keys(shapes)) } as yup.ObjectShape);
  return yup.lazy((value: unknown) => {
    const which = typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[field] : undefined;
    return typeof which === 'string' && Object.hasOwn(shapes, which) ? (shapes[which] as typeof none) : none;
  });
};
const orNull = <T extends yup.ISchema<unknown>>(one: T) =>
  yup.lazy((value: unknown) => (value === null ? yup.mixed().nullable() : one) as T);
const whole = () => number().integer('must be a whole number').min(0, 'must not be negative');
const flag = () => yup.boolean().strict().required('is missing').typeError('must be true or false');
const textOrNull = () => yup.string().strict().nullable().defined('is missing').min(1, 'is empty');

const claim = object({
  id: text(),
  mm: number(),
  asTyped: yup.string().strict().defined('is missing').nonNullable('is missing'),
  source: among(SOURCES),
  uncertaintyMm: number().min(0, 'must not be negative'),
});
const size = object({ id: text(), claims: list(claim).min(1, 'has no claim'), inForce: text() });
const planPoint = object({ x: number(), y: number() });

const level = object({ id: text(), name: text(), elevation: size });
const wall = object({ id: text(), name: text(), startCorner: text(), bearingDeg: bearing(), length: size });
const ceiling = object({
  shape: text(),
  wallId: textOrNull(),
  sizes: named(size),
  zones: list(object({ id: text(), wallId: text(), depth: size, height: size })),
});
const moulding = object({ height: size, thickness: size });
const space = object({
  id: text(),
  name: text(),
  levelId: text(),
  origin: planPoint,
  walls: list(wall).min(3, 'needs three walls'),
  ceilingHeight: size,
  ceiling,
  skirting: orNull(moulding),
  cornice: orNull(moulding),
});
const opening = object({
  id: text(),
  name: text(),
  kind: text(),
  wallId: text(),
  throughWallId: textOrNull(),
  fromCorner: text(),
  offset: size,
  width: size,
  sill: size,
  height: size,
  reveal: size,
  head: among(['flat', 'arched'] as const),
  sizes: named(size),
  counts: named(whole()),
  choices: named(text()),
});
const wallOffset = object({ wallId: text(), distance: size });
const place = object({
  pieceCorner: among(PIECE_CORNERS),
  from: list(wallOffset).length(2, 'needs two walls'),
  turnDeg: bearing(),
});
const division = either('by', {
  equal: object({ by: among(['equal'] as const), count: whole().min(1, 'must be at least 1') }),
  ratio: object({ by: among(['ratio'] as const), parts: list(positive()).min(1, 'needs a part') }),
  sizes: object({ by: among(['sizes'] as const), sizes: list(size).min(1, 'needs a part') }),
});
const outline = object({
  id: text(),
  view: among(['plan', 'front', 'side'] as const),
  corners: list(object({ x: number(), y: number(), bulge: number() })),
  from: number(),
  to: number(),
});
const piece = object({
  id: text(),
  name: text(),
  kind: text(),
  levelId: text(),
  width: size,
  depth: size,
  height: size,
  lift: size,
  place,
  checks: list(object({ id: text(), pieceCorner: among(PIECE_CORNERS), wallId: text(), distance: size })),
  mirrored: flag(),
  sizes: named(size),
  counts: named(whole()),
  choices: named(text()),
  divisions: named(division as unknown as yup.ISchema<unknown>),
  outlines: list(outline),
});
const surface = object({
  id: text(),
  name: text(),
  kind: among(SURFACE_KINDS),
  spaceId: text(),
  on: among(['floor', 'ceiling', 'wall'] as const),
  wallId: text(),
  bond: among(['square', 'broken', 'staggered'] as const),
  length: size,
  breadth: size,
  joint: size,
  start: size,
  turnDeg: bearing(),
});
const picturePlane = either('through', {
  wall: object({ through: among(['wall'] as const), wallId: text() }),
  corner: object({ through: among(['corner'] as const), cornerId: text() }),
  point: object({ through: among(['point'] as const), x: number(), y: number() }),
  distance: object({ through: among(['distance'] as const), mm: positive() }),
});
const notNegative = () => number().min(0, 'must not be negative');
const typedLength = () =>
  object({ mm: positive(), asTyped: yup.string().strict().defined('is missing').nonNullable('is missing') });
const served = either('thing', {
  ...Object.fromEntries(
    (['space', 'wall', 'opening', 'piece'] as const).map((thing) => [
      thing,
      object({ thing: among([thing]), id: text() }),
    ]),
  ),
  ...Object.fromEntries(
    (['ceiling', 'slope'] as const).map((thing) => [
      thing,
      object({ thing: among([thing]), id: text(), number: whole() }),
    ]),
  ),
});
const mark = object({
  serves: list(served as unknown as yup.ISchema<unknown>),
  role: among(MARK_ROLES),
  side: orNull(among(['left', 'right'] as const)),
});
const aid = either('by', {
  fraction: object({ by: among(['fraction'] as const), mark, n: whole().min(2, 'must be at least 2') }),
  ticks: object({ by: among(['ticks'] as const), mark, stepMm: number().min(1, 'must be at least 1') }),
  strip: object({ by: among(['strip'] as const), mark }),
});
const grid = object({ unit: typedLength(), floor: flag(), walls: flag(), ceiling: flag() });
const guess = object({ wallId: text(), interval: typedLength(), at: object({ u: number(), v: number() }) });
const view = object({
  id: text(),
  name: text(),
  levelId: text(),
  station: planPoint,
  eyeHeight: typedLength(),
  lineOfSightBearingDeg: bearing(),
  picturePlane,
  scaleDenominator: number().min(1, 'must be from 1 to 1000').max(1000, 'must be from 1 to 1000'),
  frame: object({ left: number(), right: number(), bottom: number(), top: number() }),
  sheet: object({ name: text(), width: positive(), height: positive() }),
  centreOfVisionOnSheet: planPoint,
  board: object({ width: positive(), height: positive() }),
  sheetOnBoard: planPoint,
  figure: among(SCALE_FIGURES),
  margins: object({ left: notNegative(), right: notNegative(), bottom: notNegative(), top: notNegative() }),
  straightedge: positive(),
  aids: list(aid as unknown as yup.ISchema<unknown>),
  grid: orNull(grid),
  guesses: list(guess),
  zero: among(SET_OUT_ZEROS),
});
const planWay = { school: among(SCHOOL_NAMES), begin: among(PLAN_BEGINS) };
const plan = object({
  ...{ id: text(), viewId: text(), pieceId: orNull(text()), ...planWay },
  pieces: list(object({ pieceId: text(), ...planWay })),
});
const none = () => yup.array().strict().required('is missing').max(0, 'must be empty in this version');

export const projectSchema = object({
  kind: among([PROJECT_KIND] as const),
  version: among([PROJECT_VERSION] as const),
  id: text(),
  name: text(),
  units: among(['metric', 'imperial'] as const),
  fractions: object({ real: among([8, 16, 32, 64] as const), ruler: among([8, 16, 32, 64] as const) }),
  rulerStepMm: among([1, 0.5, 0.1] as const),
  levels: list(level).min(1, 'needs a level'),
  spaces: list(space).min(1, 'needs a room'),
  openings: list(opening),
  pieces: list(piece),
  surfaces: list(surface),
  underlays: none(),
  views: list(view).min(1, 'needs a view'),
  plans: list(plan),
});
