import * as yup from 'yup';
import {
  BOUNDS,
  boundsWords,
  LONGEST_TEXT,
  MARK_ROLES,
  MOST_OF,
  PIECE_CORNERS,
  PLAN_BEGINS,
  PROJECT_KIND,
  PROJECT_VERSION,
  SCALE_FIGURES,
  SCHOOL_NAMES,
  SET_OUT_ZEROS,
  VIEW_WALLS,
  SOURCES,
  SURFACE_KINDS,
  type BoundName,
} from '@/core/record';

/**
 * The project file's shape, version 8. The published JSON Schema beside this file says the same; a test holds both to one verdict.
 * Strict throughout: nothing is cast, nothing unknown is let through, so nothing is lost on the way in.
 */
const object = <T extends yup.ObjectShape>(shape: T) =>
  yup
    .object(shape)
    .noUnknown('has a field this version does not know: ${unknown}')
    .strict()
    .required('is missing')
    .typeError('is not a record of fields');
const list = <T extends yup.ISchema<unknown>>(one: T, most: keyof typeof MOST_OF) =>
  yup
    .array()
    .of(one)
    .strict()
    .required('is missing')
    .typeError('is not a list')
    .max(MOST_OF[most], `has more than ${MOST_OF[most]} entries`);
const TOO_LONG = `is longer than ${LONGEST_TEXT} characters`;
const typed = () =>
  yup
    .string()
    .strict()
    .defined('is missing')
    .nonNullable('is missing')
    .typeError('is not text')
    .max(LONGEST_TEXT, TOO_LONG);
const text = () => typed().min(1, 'is empty');
const number = () => yup.number().strict().required('is missing').typeError('is not a number');
/** A figure within its bounds; infinity is beyond any. */
const figure = (name: BoundName) => {
  const { least, most } = BOUNDS[name];
  return number().min(least, boundsWords(BOUNDS[name])).max(most, boundsWords(BOUNDS[name]));
};
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
    return object(Object.fromEntries(keys.map((key) => [key, one])) as yup.ObjectShape).test(
      'most',
      `has more than ${MOST_OF.named} entries`,
      () => keys.length <= MOST_OF.named,
    );
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
const whole = (name: BoundName = 'count') => figure(name).integer('must be a whole number');
const flag = () => yup.boolean().strict().required('is missing').typeError('must be true or false');
const textOrNull = () =>
  yup
    .string()
    .strict()
    .nullable()
    .defined('is missing')
    .typeError('is not text')
    .min(1, 'is empty')
    .max(LONGEST_TEXT, TOO_LONG);

const claim = object({
  id: text(),
  mm: figure('claim'),
  asTyped: typed(),
  source: among(SOURCES),
  uncertaintyMm: figure('uncertainty'),
});
const size = object({ id: text(), claims: list(claim, 'claims').min(1, 'has no claim'), inForce: text() });
const planPoint = object({ x: figure('coordinate'), y: figure('coordinate') });
const paperPoint = object({ x: figure('placeOnPaper'), y: figure('placeOnPaper') });

const level = object({ id: text(), name: text(), elevation: size });
const wall = object({ id: text(), name: text(), startCorner: text(), bearingDeg: bearing(), length: size });
const ceiling = object({
  shape: text(),
  wallId: textOrNull(),
  sizes: named(size),
  zones: list(object({ id: text(), wallId: text(), depth: size, height: size }), 'zones'),
});
const moulding = object({ height: size, thickness: size });
const space = object({
  id: text(),
  name: text(),
  levelId: text(),
  origin: planPoint,
  walls: list(wall, 'walls').min(3, 'needs three walls'),
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
  from: yup
    .array()
    .of(wallOffset)
    .strict()
    .required('is missing')
    .typeError('is not a list')
    .length(2, 'needs two walls'),
  turnDeg: bearing(),
});
const division = either('by', {
  equal: object({ by: among(['equal'] as const), count: whole('equalParts') }),
  ratio: object({ by: among(['ratio'] as const), parts: list(figure('ratio'), 'parts').min(1, 'needs a part') }),
  sizes: object({ by: among(['sizes'] as const), sizes: list(size, 'parts').min(1, 'needs a part') }),
});
const outlineCorner = object({ x: figure('outline'), y: figure('outline'), bulge: figure('bulge') });
const outline = object({
  id: text(),
  view: among(['plan', 'front', 'side'] as const),
  corners: list(outlineCorner, 'corners'),
  holes: list(list(outlineCorner, 'corners'), 'holes'),
  from: figure('outline'),
  to: figure('outline'),
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
  checks: list(object({ id: text(), pieceCorner: among(PIECE_CORNERS), wallId: text(), distance: size }), 'checks'),
  mirrored: flag(),
  sizes: named(size),
  counts: named(whole()),
  choices: named(text()),
  divisions: named(division as unknown as yup.ISchema<unknown>),
  divisionsEach: named(list(orNull(division as unknown as yup.ISchema<unknown>), 'parts') as yup.ISchema<unknown>),
  seams: among(['hidden', 'shown'] as const),
  outlines: list(outline, 'outlines'),
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
  lights: orNull(
    object({
      length: size,
      fromWall: size,
      rowDistance: size,
      rows: whole('lightRows'),
      perRow: whole('lightsInARow'),
      innerLines: whole('innerLines'),
    }),
  ),
});
const picturePlane = either('through', {
  wall: object({ through: among(['wall'] as const), wallId: text() }),
  corner: object({ through: among(['corner'] as const), cornerId: text() }),
  point: object({ through: among(['point'] as const), x: figure('coordinate'), y: figure('coordinate') }),
  distance: object({ through: among(['distance'] as const), mm: figure('planeDistance') }),
});
const typedLength = (name: BoundName) => object({ mm: figure(name), asTyped: typed() });
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
  serves: list(served as unknown as yup.ISchema<unknown>, 'marksServed'),
  role: among(MARK_ROLES),
  side: orNull(among(['left', 'right'] as const)),
});
const aid = either('by', {
  fraction: object({ by: among(['fraction'] as const), mark, n: whole('fraction') }),
  ticks: object({ by: among(['ticks'] as const), mark, stepMm: figure('tickStep') }),
  strip: object({ by: among(['strip'] as const), mark }),
});
const grid = object({
  ...{ unit: typedLength('gridUnit'), floor: flag(), walls: flag(), ceiling: flag() },
  from: textOrNull(),
  on: orNull(list(text(), 'walls')),
});
const guess = object({
  wallId: text(),
  interval: typedLength('interval'),
  at: object({ u: figure('guess'), v: figure('guess') }),
});
const view = object({
  id: text(),
  name: text(),
  levelId: text(),
  station: planPoint,
  eyeHeight: typedLength('eyeHeight'),
  lineOfSightBearingDeg: bearing(),
  picturePlane,
  scaleDenominator: figure('scale'),
  frame: object({ left: figure('frame'), right: figure('frame'), bottom: figure('frame'), top: figure('frame') }),
  sheet: object({ name: text(), width: figure('sheetSide'), height: figure('sheetSide') }),
  centreOfVisionOnSheet: paperPoint,
  board: object({ width: figure('boardSide'), height: figure('boardSide') }),
  sheetOnBoard: paperPoint,
  figure: among(SCALE_FIGURES),
  margins: object({ left: figure('margin'), right: figure('margin'), bottom: figure('margin'), top: figure('margin') }),
  straightedge: figure('straightedge'),
  aids: list(aid as unknown as yup.ISchema<unknown>, 'aids'),
  grid: orNull(grid),
  guesses: list(guess, 'guesses'),
  zero: among(SET_OUT_ZEROS),
  standsBy: among(['hand', 'rule'] as const),
  spacesAside: list(text(), 'spaces'),
  walls: among(VIEW_WALLS),
});
const planWay = { school: among(SCHOOL_NAMES), begin: among(PLAN_BEGINS) };
const plan = object({
  ...{ id: text(), viewId: text(), pieceId: orNull(text()), ...planWay },
  pieces: list(object({ pieceId: text(), ...planWay }), 'pieces'),
});
/** Other things by their ids, or figures. */
const idOrFigure = yup.lazy((value: unknown) => (typeof value === 'number' ? figure('toldOf') : text()) as yup.Schema);
const laidAside = object({
  id: text(),
  ring: object({
    kind: text(),
    about: textOrNull(),
    viewId: textOrNull(),
    of: list(idOrFigure as unknown as yup.ISchema<unknown>, 'toldOf'),
  }),
  reason: text(),
});
const none = () =>
  yup.array().strict().required('is missing').typeError('is not a list').max(0, 'must be empty in this version');

export const projectSchema = object({
  kind: among([PROJECT_KIND] as const),
  version: among([PROJECT_VERSION] as const),
  id: text(),
  name: text(),
  units: among(['metric', 'imperial'] as const),
  fractions: object({ real: among([8, 16, 32, 64] as const), ruler: among([8, 16, 32, 64] as const) }),
  rulerStepMm: among([1, 0.5, 0.1] as const),
  levels: list(level, 'levels').min(1, 'needs a level'),
  spaces: list(space, 'spaces').min(1, 'needs a room'),
  openings: list(opening, 'openings'),
  pieces: list(piece, 'pieces'),
  surfaces: list(surface, 'surfaces'),
  underlays: none(),
  views: list(view, 'views').min(1, 'needs a view'),
  plans: list(plan, 'plans'),
  laidAside: list(laidAside, 'laidAside'),
});

/** The shapes of things by their list, for what an edit has changed. */
export const THING_SCHEMAS = {
  levels: level,
  spaces: space,
  openings: opening,
  pieces: piece,
  surfaces: surface,
  views: view,
  plans: plan,
  laidAside,
} as const;
