import type { Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { PaperMillimetres } from '@/core/units';
import { eyeFromWorld, type SetUp } from '@/core/view';
import { climbsTo, samePoint } from './inclined';
import { footOn } from './machine';
import type { CurveId, LineId, MarkId, Operation } from './operation';
import type { Saying } from './say';
import type { TargetByEye } from './target';
import { lists } from './lists';
import type { Telling, Told, ToldPart } from './telling';
import { MOST_IN_SENTENCES } from './told';
import type { KeptCurve, KeptEdge, WholeDraft } from './whole';

/** Curves as they are drawn. */
export type CurvesDrawn = ReadonlyMap<CurveId, Extract<Operation, { readonly op: 'curve' }>>;

/** As a fraction of a line so near to an end it is the end. */
const AT_END = 1e-9;
/** Shorter than a pencil's line is broad nothing is left out or begun anew, mm. */
const PENCIL_MM = 0.25;

/** A stretch of a line that stays, mm along it. */
interface Stretch {
  from: number;
  to: number;
}

/** Stretches that touch, or nearly, as one. */
function joined(stretches: readonly Stretch[]): readonly Stretch[] {
  const made: Stretch[] = [];
  for (const { from, to } of [...stretches].sort((a, b) => a.from - b.from)) {
    const last = made.at(-1);
    if (last && from - last.to < PENCIL_MM) last.to = Math.max(last.to, to);
    else made.push({ from, to });
  }
  return made;
}

/** What stays of one line: between marks where it ends at them, otherwise measured from the mark before it. */
function partsOfLine(
  line: LineId,
  edges: readonly KeptEdge[],
  { desk }: Pick<WholeDraft, 'desk'>,
  name: (mark: MarkId) => string,
): readonly ToldPart[] {
  const drawn = desk.machine.lineOf(line);
  const place = (mark: MarkId): number => footOn(drawn, desk.machine.markAt(mark));
  const marks = [...new Set(edges.flatMap(({ from, to }) => [from, to]))]
    .map((mark) => ({ name: name(mark), at: place(mark) }))
    .sort((a, b) => a.at - b.at);
  const stretches = edges.flatMap(({ from, to, seen }): Stretch[] => {
    const [p, q] = [place(from), place(to)];
    return seen.map(([s, t]) => {
      const ends = [p + (q - p) * s, p + (q - p) * t];
      return { from: Math.min(...ends), to: Math.max(...ends) };
    });
  });
  return joined(stretches).flatMap(({ from, to }): ToldPart[] => {
    const before = marks.findLast((one) => one.at < from + PENCIL_MM);
    const after = marks.find((one) => one.at > to - PENCIL_MM);
    if (!before || !after || to - from < PENCIL_MM) return [];
    return [
      {
        line: `${before.name}–${after.name}`,
        from: from - before.at < PENCIL_MM ? before.name : from - before.at,
        to: after.at - to < PENCIL_MM ? after.name : to - before.at,
      },
    ];
  });
}

const isWhole = ({ from, to }: ToldPart): boolean => typeof from === 'string' && typeof to === 'string';

/** What stays of a thing, line by line: from mark to mark in lists, other parts with their distances, in a table where they are many. */
export function firmWords(
  edges: readonly KeptEdge[],
  curves: readonly KeptCurve[],
  telling: Telling,
  whole: Pick<WholeDraft, 'desk'>,
  through: CurvesDrawn,
): Pick<Told, 'says' | 'parts'> {
  const name = (mark: MarkId): string => telling.labels.get(mark) ?? '';
  const byLine = new Map<LineId, KeptEdge[]>();
  for (const edge of edges) byLine.set(edge.line, [...(byLine.get(edge.line) ?? []), edge]);
  const all = [...byLine].flatMap(([line, own]) => partsOfLine(line, own, whole, name));
  const parts = all.filter((one) => !isWhole(one));
  const inTable = parts.length > MOST_IN_SENTENCES;
  const rounds = curves.flatMap(({ curve, seen }): Saying[] => {
    const made = through.get(curve);
    if (!made) return [];
    const mark = (i: number): string =>
      name(made.through[((i % made.through.length) + made.through.length) % made.through.length] ?? '');
    return seen.map(([s, t]): Saying =>
      t - s > made.through.length - 1 + AT_END || (made.closed && t - s > made.through.length - AT_END)
        ? [`Draw the curve through ${mark(0)} firm, all round.`]
        : [`Draw the curve firm from ${at(s, mark)} to ${at(t, mark)}.`],
    );
  });
  const says = [
    ...[...lists(all.filter(isWhole).map(({ line }) => line))].map((list): Saying => [`Draw firm ${list}.`]),
    ...(inTable
      ? [['Of these lines draw firm what the table says, measured from the mark named first.'] as Saying]
      : parts.map(partWords)),
    ...rounds,
  ];
  return { says, parts: inTable ? parts : [] };
}

function partWords({ line, from, to }: ToldPart): Saying {
  const [first = ''] = line.split('–');
  const place = (one: string | PaperMillimetres): string | { readonly paperMm: PaperMillimetres } =>
    typeof one === 'string' ? one : { paperMm: one };
  const measured = typeof from === 'string' && typeof to === 'string' ? '' : `, measured from ${first}`;
  return [`Of ${line} draw firm from `, place(from), ' to ', place(to), `${measured}.`];
}

/** A place among a curve's marks, in words. */
function at(place: number, mark: (i: number) => string): string {
  const [low, share] = [Math.floor(place + 1e-6), place - Math.floor(place + 1e-6)];
  if (share < 0.05) return mark(low);
  if (share > 0.95) return mark(low + 1);
  return `${share < 0.35 ? 'a little beyond' : share < 0.65 ? 'midway beyond' : 'well beyond'} ${mark(low)}`;
}

/** How much of the room is told on paper where something is drawn by eye, mm. */
const TOLD_MM = 10;

/** How many lines are drawn by eye, how wide the room is on paper where they lie, and what they run to. */
export function byEyeWords(
  eye: readonly TargetByEye[],
  name: string,
  telling: Telling,
  whole: Pick<WholeDraft, 'vanishing' | 'inclined'>,
  setUp: SetUp,
): readonly Saying[] {
  const run = (way: Vector3): string | null => runOf(way, telling, whole, setUp);
  const longest = Math.max(...eye.map((one) => one.paperMm));
  const depths = eye.flatMap(({ stands }) => stands.map((p) => eyeFromWorld(setUp, p).depth));
  const k = setUp.pictureDistance / setUp.scaleDenominator;
  const [near, far] = [(TOLD_MM * k) / Math.min(...depths), (TOLD_MM * k) / Math.max(...depths)];
  const sure = near - far < WIDTHS_APART_MM;
  return [
    [
      `Draw ${eye.length === 1 ? 'one more line' : `${eye.length} more lines`} of ${name} by eye, between the marks that are there${eye.length === 1 ? ': ' : '; the longest is '}`,
      { paperMm: longest },
      ' on paper.',
    ],
    [sure ? 'There ' : 'Nearest to you ', { real: TOLD_MM }, ' of the room is ', { paperMm: near }, '.'],
    ...(sure ? [] : [['Farthest from you it is ', { paperMm: far }, '.'] as Saying]),
    ...(eye.length === 1
      ? runsOf(eye, run).map((one): Saying => [`It ${one.slice(2)}.`])
      : [...lists(runsOf(eye, run))].map((list): Saying => [`Of these ${list}.`])),
  ];
}
/** Widths that differ by less are told as one, mm. */
const WIDTHS_APART_MM = 0.05;

/** What lines drawn by eye run to, the most first: "12 run to VR", "3 are upright". */
function runsOf(eye: readonly TargetByEye[], run: (way: Vector3) => string | null): readonly string[] {
  const counts = new Map<string, number>();
  for (const { stands, round } of eye) {
    const [p, q] = stands;
    const to = round ? 'round' : run({ x: q.x - p.x, y: q.y - p.y, z: q.z - p.z });
    if (to !== null) counts.set(to, (counts.get(to) ?? 0) + 1);
  }
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .map(
      ([to, count]) =>
        `${count} ${to.startsWith('run') ? (count === 1 ? to.replace('run', 'runs') : to) : `${count === 1 ? 'is' : 'are'} ${to}`}`,
    );
}

function runOf(
  way: Vector3,
  { labels }: Telling,
  { vanishing, inclined }: Pick<WholeDraft, 'vanishing' | 'inclined'>,
  setUp: SetUp,
): string | null {
  const size = Math.hypot(way.x, way.y, way.z);
  const flat = Math.hypot(way.x, way.y);
  if (flat <= tolerance.directionRad * size) return 'upright';
  if (Math.abs(way.z) > tolerance.directionRad * size) {
    const point = climbsTo(setUp, way);
    const to = point ? inclined.find(({ at }) => samePoint(at, point)) : undefined;
    return to ? `run to ${labels.get(to.mark) ?? ''}` : 'aslope';
  }
  for (const { direction, to } of vanishing)
    if (Math.abs(way.x * direction.y - way.y * direction.x) <= tolerance.directionRad * flat)
      switch (to.by) {
        case 'level':
          return 'level';
        case 'point':
          return `run to ${labels.get(to.mark) ?? ''}`;
        case 'ticks':
          return `run to ${to.label} beyond the board`;
      }
  return null;
}
