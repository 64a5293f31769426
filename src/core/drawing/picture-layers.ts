import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import { conicBetween, ellipseArc, placedConic, type ConicArc } from '@/core/geometry';
import { footprintOf, levelOf, mmOf, type Id, type Project, type View } from '@/core/record';
import { eyePoint, worldFromPlan } from '@/core/space';
import {
  groupServing,
  ParallelsOf,
  projectSegment,
  roomBearing,
  turnOfPair,
  worldFromEye,
  type Parallels,
  type SetOut,
  type SetUp,
} from '@/core/view';
import {
  conicOfRow,
  curveOfRow,
  edgeDirections,
  edgeOfRow,
  joinLines,
  type PreparedScene,
  type VisibleLines,
} from '@/core/visibility';
import {
  type Bounds,
  layerKey,
  layerOf,
  type Layer,
  type LayerRole,
  type Stroke,
  type StrokeRole,
  type Word,
} from './drawing';
import { lighterWhereCrowded } from './crowded';
import { joinCurves } from './join-curves';
import { LineClasses } from './line-class';
import { endsOf, strokeRows } from './strokes';
import { brokenText } from './word-box';

const WORD_MM = 3;
/** A curve seen edge-on is straight within this, mm. */
const EDGE_ON_MM = tolerance.samePointMm;

export interface PictureGiven {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly scene: PreparedScene;
  readonly lines: VisibleLines;
  /** In a small picture hidden lines are left out, and lines that fall on one another are not looked for: nobody reads either there, and both are dear. */
  readonly rough?: boolean;
  /** Layers that are laid aside: a line that falls on one of theirs is then drawn by its own. */
  readonly without?: ReadonlySet<string>;
}

/** The layer of a piece, by its key. */
export const pieceLayer = (pieceId: Id): string => layerKey({ layer: 'piece', pieceId });

/** Seen and hidden lines, each on the layer of what they belong to: room, openings, patterns, each piece. */
export function pictureLayers(given: PictureGiven): {
  readonly layers: readonly Layer[];
  readonly parallels: readonly Parallels[];
} {
  const { project, view, setUp, scene, lines, rough = false, without } = given;
  const { x, y } = view.centreOfVisionOnSheet;
  const parallels = new ParallelsOf(setUp, turnOfPair(setUp, roomBearing(project, view)));
  const numbers = new Map<Parallels, number>();
  const directions = edgeDirections(scene);
  const byDirection: (Parallels | undefined)[] = [];
  const layerOfBody = layersByBody(project);
  const classes = new LineClasses(
    scene,
    worldFromEye(setUp, eyePoint(0, 0, 0)),
    new Set(project.surfaces.map((surface) => surface.id)),
  );
  const strokes = new Map<string, Stroke[]>();
  const put = (layer: string, stroke: Stroke): void => {
    const list = strokes.get(layer);
    if (list) list.push(stroke);
    else strokes.set(layer, [stroke]);
  };
  // Told when first asked for: of most edges nothing is drawn.
  const known = new Map<number, Looks>();
  const looksOf = (row: number): Looks => {
    const index = at(lines.edge, row);
    let looks = known.get(index);
    if (!looks) {
      const edge = edgeOfRow(scene, lines, row);
      const { from, to } = edge;
      // Of the scene's own edges the direction is known; of a silhouette it is told for this eye.
      const group = index < directions.of.length ? at(directions.of, index) : -1;
      let one = group < 0 ? undefined : byDirection[group];
      if (!one) {
        one = parallels.of({ x: to.x - from.x, y: to.y - from.y, z: to.z - from.z });
        if (group >= 0) byDirection[group] = one;
      }
      let number = numbers.get(one);
      if (number === undefined) numbers.set(one, (number = numbers.size));
      looks = {
        family: one.family,
        parallels: number,
        edge: classes.ofEdge(edge),
        role: { is: 'line', line: edge.role, body: edge.body },
        of: edge.id,
      };
      known.set(index, looks);
    }
    return looks;
  };
  const stroke = (row: number, picture: Float64Array, from: number, seen: boolean): Stroke => ({
    x0: x + at(picture, from),
    y0: y + at(picture, from + 1),
    x1: x + at(picture, from + 2),
    y1: y + at(picture, from + 3),
    ...looksOf(row),
    weight: seen ? 'firm' : 'hidden',
  });
  const layerOfRow = (row: number): string => layerOfBody(edgeOfRow(scene, lines, row).body);
  const seen: number[] = [];
  for (let row = 0; row < lines.edge.length; row += 1) {
    if (lines.seen[row] !== 1) {
      if (!rough && !without?.has('hidden')) put('hidden', stroke(row, lines.picture, row * 4, false));
    } else if (!without?.has(layerOfRow(row))) seen.push(row);
  }
  if (rough) for (const row of seen) put(layerOfRow(row), stroke(row, lines.picture, row * 4, true));
  const joined = joinLines(lines.picture, Int32Array.from(rough ? [] : seen));
  for (let i = 0; i < joined.count; i += 1) {
    const row = at(joined.row, i);
    const drawn = stroke(row, joined.picture, i * 4, true);
    const others = [...joined.also.subarray(joined.alsoStart[i], joined.alsoStart[i + 1])].map((other) =>
      edgeOfRow(scene, lines, other),
    );
    put(
      layerOfRow(row),
      others.length > 0
        ? { ...drawn, also: others.map((one) => one.id), alsoBodies: others.map((one) => one.body) }
        : drawn,
    );
  }
  for (const { layer, stroke: drawn } of curveStrokes(given, layerOfBody, classes, { x, y })) put(layer, drawn);
  if (!rough) {
    const parts = lighterWhereCrowded([...strokes].flatMap(([of, list]) => (of === 'hidden' ? [] : list)));
    for (const [of, list] of strokes)
      strokes.set(
        of,
        list.flatMap((one) => parts.get(one) ?? one),
      );
  }
  const layer = (role: LayerRole, name: string, more: Pick<Layer, 'group'> = {}): Layer =>
    layerOf(role, name, { strokes: strokes.get(layerKey(role)) ?? [] }, more);
  return {
    layers: [
      layerOf({ layer: 'footprints' }, 'Footprints', { strokes: footprintStrokes(given) }),
      layer({ layer: 'hidden' }, 'Hidden lines'),
      layer({ layer: 'patterns' }, 'Patterns'),
      layer({ layer: 'room' }, 'Room'),
      layer({ layer: 'openings' }, 'Openings'),
      ...project.pieces.map((piece) =>
        layer({ layer: 'piece', pieceId: piece.id }, piece.name, { group: 'furniture' }),
      ),
    ],
    parallels: [...numbers.keys()],
  };
}

/** What all strokes of one line have in common. */
type Looks = Pick<Stroke, 'family' | 'parallels' | 'edge' | 'role' | 'of'>;

function layersByBody(project: Project): (body: Id) => string {
  const layers = new Map<Id, string>([
    ...project.spaces.map((one) => [one.id, 'room'] as const),
    ...project.openings.map((one) => [one.id, 'openings'] as const),
    ...project.surfaces.map((one) => [one.id, 'patterns'] as const),
    ...project.pieces.map((one) => [one.id, pieceLayer(one.id)] as const),
  ]);
  return (body) => layers.get(body) ?? 'room';
}

/** Curves as what they are; seen edge-on, and so straight, as straight strokes. */
function curveStrokes(
  { setUp, scene, lines, rough = false, without }: PictureGiven,
  layerOfBody: (body: Id) => string,
  classes: LineClasses,
  { x, y }: { readonly x: number; readonly y: number },
): readonly { readonly layer: string; readonly stroke: Stroke }[] {
  const { curves } = lines;
  const hidden: { layer: string; stroke: Stroke }[] = [];
  const firm: { layer: string; stroke: Stroke }[] = [];
  for (let row = 0; row < curves.curve.length; row += 1) {
    const one = curveOfRow(scene, lines, row);
    const seen = curves.seen[row] === 1;
    const layer = seen ? layerOfBody(one.body) : 'hidden';
    if ((rough && !seen) || without?.has(layer)) continue;
    const arc = placedConic(conicOfRow(scene, setUp, lines, row), { x, y });
    const base = {
      family: 'round',
      weight: seen ? 'firm' : 'hidden',
      of: one.id,
      role: { is: 'line', line: one.role, body: one.body },
    } as const;
    let from = arc.from;
    for (const [to, edge] of rough ? [[arc.to, 'profile'] as const] : classes.ofCurve(one, arc.from, arc.to)) {
      for (const ends of drawable(conicBetween(arc, from, to)))
        (seen ? firm : hidden).push({ layer, stroke: { ...base, ...ends, edge } });
      from = to;
    }
  }
  return [...hidden, ...(rough ? firm : joinCurves(firm))];
}

/** A conic as one stroke, or, where it is so thin that pencil and ruler would draw it straight, as straight ones. */
function drawable(arc: ConicArc): readonly (ReturnType<typeof endsOf> | Omit<ReturnType<typeof endsOf>, 'curve'>)[] {
  const ellipse = ellipseArc(arc);
  if (ellipse ? ellipse.minor > EDGE_ON_MM : arc.w[1] !== 0 || arc.w[2] !== 0) return [endsOf(arc)];
  return strokeRows(endsOf(arc), EDGE_ON_MM).map(([x0, y0, x1, y1]) => ({
    x0,
    y0,
    x1,
    y1,
  }));
}

/** Where each piece stands on its floor, as far as it lies in the frame: faint, to be drawn over. */
function footprintStrokes({ project, view, setUp, without, rough }: PictureGiven): readonly Stroke[] {
  if (rough || without?.has('footprints')) return [];
  const { x, y } = view.centreOfVisionOnSheet;
  return project.pieces.flatMap((piece) => {
    const footprint = footprintOf(project, piece);
    if (!footprint.ok) return [];
    const z = mmOf(levelOf(project, piece.levelId).elevation);
    const { corners } = footprint.value;
    const around = [corners['front-left'], corners['front-right'], corners['back-right'], corners['back-left']].map(
      (p) => worldFromPlan(p, z),
    );
    return around.flatMap((from, i): Stroke[] => {
      const part = projectSegment(setUp, from, at(around, (i + 1) % 4), view.frame);
      return part
        ? [
            {
              ...{ x0: x + part.start.u, y0: y + part.start.v, x1: x + part.end.u, y1: y + part.end.v },
              family: 'sheet',
              weight: 'hairline',
              role: { is: 'footprint', pieceId: piece.id },
              of: `${piece.id}/footprint`,
            },
          ]
        : [];
    });
  });
}

/** A small upright cross on a point. */
export const crossAt = (x: number, y: number, half: number, of: string, role: StrokeRole): Stroke[] => [
  { x0: x - half, y0: y, x1: x + half, y1: y, family: 'sheet', weight: 'faint', role, of },
  { x0: x, y0: y - half, x1: x, y1: y + half, family: 'sheet', weight: 'faint', role, of },
];

/**
 * Horizon, ground line, centre line and the points on the horizon, as they lie on the sheet. Every turned piece has points of its own:
 * only the room's and those of the piece at hand are marked, or the horizon is full of crosses that nobody needs now.
 */
export function setOutLayer(view: View, setOut: SetOut, pieceId: string | null): Layer {
  const { x, y } = view.centreOfVisionOnSheet;
  const { width, height } = view.sheet;
  const line = (
    x0: number,
    y0: number,
    x1: number,
    y1: number,
    of: 'horizon' | 'ground-line' | 'centre-line',
  ): Stroke => ({ x0, y0, x1, y1, family: 'sheet', weight: 'faint', role: { is: 'set-out', line: of }, of });
  const own = pieceId === null ? undefined : groupServing(setOut, pieceId);
  const marks = [setOut.centreOfVision, ...setOut.room.marks, ...(own && own !== setOut.room ? own.marks : [])];
  const words: Word[] = marks.map((mark) => ({
    x: mark.onSheet.x + 1.5,
    y: mark.onSheet.y + 1.5,
    text: mark.label,
    heightMm: WORD_MM,
    anchor: 'start',
    free: { where: 'beside', mark: mark.onSheet },
  }));
  words.push(
    { x: 3, y: y + 1.5, text: 'horizon', heightMm: WORD_MM, anchor: 'start', free: { where: 'along', level: y } },
    {
      x: 3,
      y: setOut.groundLineOnSheetY + 1.5,
      text: 'ground line',
      heightMm: WORD_MM,
      anchor: 'start',
      free: { where: 'along', level: setOut.groundLineOnSheetY },
    },
  );
  return layerOf({ layer: 'set-out' }, 'Set-out', {
    strokes: [
      line(0, y, width, y, 'horizon'),
      line(0, setOut.groundLineOnSheetY, width, setOut.groundLineOnSheetY, 'ground-line'),
      line(x, 0, x, height, 'centre-line'),
      ...marks.flatMap((mark) => crossAt(mark.onSheet.x, mark.onSheet.y, 2, mark.id, { is: 'mark', mark: mark.name })),
    ],
    words,
  });
}

/** The four sides of a rectangle. */
export const rectangleStrokes = (
  { left, bottom, right, top }: Bounds,
  of: Extract<StrokeRole, { readonly is: 'outline' }>['of'],
): Stroke[] =>
  (
    [
      [left, bottom, right, bottom],
      [right, bottom, right, top],
      [right, top, left, top],
      [left, top, left, bottom],
    ] as const
  ).map(([x0, y0, x1, y1]) => ({
    ...{ x0, y0, x1, y1, family: 'sheet' as const, weight: 'hairline' as const },
    ...{ role: { is: 'outline' as const, of }, of },
  }));

/** The sheet's edge and the picture's frame. */
export function paperLayer(view: View): Layer {
  const { x, y } = view.centreOfVisionOnSheet;
  const { left, right, bottom, top } = view.frame;
  return layerOf({ layer: 'frame' }, 'Frame', {
    strokes: rectangleStrokes({ left: x + left, bottom: y + bottom, right: x + right, top: y + top }, 'frame'),
  });
}

/** The control lines: 100 mm long when printed true to size, across at the foot of the sheet and down at its left side. */
export const CONTROL_LINE_MM = 100;
/** Registration crosses lie this far in from the sheet's corners: what a scan or a tracing is laid by. */
export const REGISTRATION_MM = 15;

type Control = Extract<StrokeRole, { is: 'control' }>['which'];

/** One of a sheet's control marks, by what it is for. */
export const controlStroke = (x0: number, y0: number, x1: number, y1: number, which: Control): Stroke => ({
  ...{ x0, y0, x1, y1 },
  family: 'sheet',
  weight: 'faint',
  role: { is: 'control', which },
  of: which === 'registration' || which === 'overlap' ? which : `control-${which}`,
});

/** A cross by which sheets are laid over one another. */
export const registrationCross = (x: number, y: number): Stroke[] =>
  crossAt(x, y, 3, 'registration', { is: 'control', which: 'registration' });

/** Height of the caption's letters. */
const CAPTION_MM = 2.5;

export function controlLayer(view: Pick<View, 'sheet'>, caption: string): Layer {
  const [x, y, left, foot] = [10, 6, 6, 25];
  const { width, height } = view.sheet;
  const end = (x0: number, y0: number, x1: number, y1: number): Stroke => controlStroke(x0, y0, x1, y1, 'end');
  const long = CONTROL_LINE_MM;
  return layerOf({ layer: 'control' }, 'Control lines and crosses', {
    strokes: [
      controlStroke(x, y, x + long, y, 'across'),
      end(x, y - 1.5, x, y + 1.5),
      end(x + long, y - 1.5, x + long, y + 1.5),
      controlStroke(left, foot, left, foot + long, 'down'),
      end(left - 1.5, foot, left + 1.5, foot),
      end(left - 1.5, foot + long, left + 1.5, foot + long),
      ...[REGISTRATION_MM, width - REGISTRATION_MM].flatMap((cx) =>
        [REGISTRATION_MM, height - REGISTRATION_MM].flatMap((cy) => registrationCross(cx, cy)),
      ),
    ],
    words: [
      {
        x: x + long + 3,
        y: y - 1,
        text: 'this line and the one at the left: 100 mm when printed true to size',
        heightMm: 2.5,
        anchor: 'start',
      },
      ...brokenText(caption, CAPTION_MM, width - 20)
        .toReversed()
        .map((text, row): Word => ({
          ...{ x: width - 10, y: y - 1 + row * CAPTION_MM * 1.4, text, heightMm: CAPTION_MM, anchor: 'end' },
          free: { where: 'rows-up' },
        })),
    ],
  });
}
