import * as yup from 'yup';
import { PIECE_CORNERS, PROJECT_KIND, PROJECT_VERSION, SOURCES } from '@/core/record';

/**
 * The project file's shape, version 1. The published JSON Schema beside this file says the same; a test holds both to one verdict.
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
const space = object({
  id: text(),
  name: text(),
  levelId: text(),
  origin: planPoint,
  walls: list(wall).min(3, 'needs three walls'),
  ceilingHeight: size,
});
const opening = object({
  id: text(),
  name: text(),
  kind: among(['door', 'window'] as const),
  wallId: text(),
  fromCorner: text(),
  offset: size,
  width: size,
  sill: size,
  height: size,
  reveal: size,
});
const wallOffset = object({ wallId: text(), distance: size });
const place = object({
  pieceCorner: among(PIECE_CORNERS),
  from: list(wallOffset).length(2, 'needs two walls'),
  turnDeg: bearing(),
});
const piece = object({
  id: text(),
  name: text(),
  kind: among(['box'] as const),
  levelId: text(),
  width: size,
  depth: size,
  height: size,
  lift: size,
  place,
});

const bindings = {
  wall: object({ through: among(['wall'] as const), wallId: text() }),
  corner: object({ through: among(['corner'] as const), cornerId: text() }),
  point: object({ through: among(['point'] as const), x: number(), y: number() }),
  distance: object({ through: among(['distance'] as const), mm: positive() }),
};
const noBinding = object({ through: among(Object.keys(bindings)) });
const picturePlane = yup.lazy((value: unknown) => {
  const through = typeof value === 'object' && value !== null && 'through' in value ? value.through : undefined;
  return typeof through === 'string' && Object.hasOwn(bindings, through)
    ? bindings[through as keyof typeof bindings]
    : noBinding;
});
const view = object({
  id: text(),
  name: text(),
  levelId: text(),
  station: planPoint,
  eyeHeight: object({ mm: positive(), asTyped: yup.string().strict().defined('is missing').nonNullable('is missing') }),
  lineOfSightBearingDeg: bearing(),
  picturePlane,
  scaleDenominator: number().min(1, 'must be from 1 to 1000').max(1000, 'must be from 1 to 1000'),
  frame: object({ left: number(), right: number(), bottom: number(), top: number() }),
  sheet: object({ name: text(), width: positive(), height: positive() }),
  centreOfVisionOnSheet: planPoint,
  board: object({ width: positive(), height: positive() }),
  sheetOnBoard: planPoint,
});
const plan = object({ id: text(), viewId: text(), pieceId: text(), school: among(['measuring-points'] as const) });
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
  surfaces: none(),
  underlays: none(),
  views: list(view).min(1, 'needs a view'),
  plans: list(plan),
});
