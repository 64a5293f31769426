import {
  levelOf,
  mmOf,
  nameOfThing,
  wallRuns,
  type Id,
  type MarkName,
  type MeasuredRoom,
  type Project,
  type Served,
  type View,
} from '@/core/record';
import { ceilingHeights } from '@/core/solids';
import { formatLength, formatPaper, type LengthStyle, type PaperMillimetres } from '@/core/units';
import { edgeTicks } from './edge-ticks';
import { wallLine } from './guessed-interval';
import { reachOf } from './reach';
import { stripPlace } from './reach-remedies';
import { markNamed, type SetOut, type SetOutMark } from './set-out-marks';
import type { SetUp } from './set-up';

/** What a row is for. */
export type RowRole =
  | { readonly row: 'line'; readonly line: 'horizon' | 'ground-line' | 'centre-line' }
  | { readonly row: 'frame'; readonly side: 'left' | 'right' | 'bottom' | 'top' }
  | { readonly row: 'mark'; readonly mark: MarkName }
  /** Where a wall meets the picture plane. */
  | { readonly row: 'trace'; readonly wallId: Id }
  | { readonly row: 'height' }
  | { readonly row: 'tick'; readonly mark: MarkName; readonly number: number; readonly edge: 'near' | 'far' }
  | { readonly row: 'strip'; readonly mark: MarkName };

/** One mark to lay down: where it lies across from the zero, and up from the sheet's lower edge; null where it runs the whole way. */
export interface SetOutRow {
  readonly role: RowRole;
  /** One word for it; only ever written. */
  readonly id: string;
  readonly label: string;
  readonly words: string;
  readonly across: PaperMillimetres | null;
  readonly up: PaperMillimetres | null;
  /** Of a true height: how far it is above the ground line, where the scale rule is laid against it; null for all else. */
  readonly overGround: PaperMillimetres | null;
  /** Where it lies, or how it is to be used, when that needs saying. */
  readonly note: string;
}

export interface SetOutSection {
  readonly title: string;
  readonly rows: readonly SetOutRow[];
}

export interface SetOutTable {
  /** The zero of all distances across, as a sentence, and its place on the sheet. */
  readonly zero: string;
  readonly zeroOnSheetX: PaperMillimetres;
  readonly sections: readonly SetOutSection[];
}

/** A distance on paper in both readings: the real size on the scale rule, and the paper size on the plain ruler in use. */
export const bothReadings = (
  mm: PaperMillimetres,
  scaleDenominator: number,
  style: LengthStyle,
): { readonly real: string; readonly paper: string } => ({
  real: formatLength(mm * scaleDenominator, style),
  paper: formatPaper(mm, style),
});

const lies = (mark: SetOutMark, style: LengthStyle): string =>
  mark.lies.where === 'on-sheet'
    ? 'on the sheet'
    : mark.lies.where === 'on-board'
      ? `on the board, ${formatPaper(mark.lies.beyondSheet, style)} beyond the sheet’s ${mark.lies.side} edge`
      : `off the board by ${formatPaper(mark.lies.beyondBoard, style)} on the ${mark.lies.side}`;

/** Everything to lay down before the first line of the room, every distance across from one zero, every mark up from the sheet's lower edge, true heights from the ground line too. */
export function setOutTable(
  project: Project,
  view: View,
  setUp: SetUp,
  setOut: SetOut,
  style: LengthStyle,
): SetOutTable {
  const { x: cvX, y: cvY } = view.centreOfVisionOnSheet;
  const groups = setOut.groups.map((group) =>
    group.marks.map((mark) => ({ mark, reach: reachOf(view, setOut, mark) })),
  );
  const used = groups
    .flat()
    .map(({ mark, reach }) => ({ mark, reach, u: reach.usedAt?.u ?? null }))
    .filter((one) => one.u !== null);
  const leftmost = used.reduce<(typeof used)[number] | null>(
    (best, one) => (best === null || (one.u ?? 0) < (best.u ?? 0) ? one : best),
    null,
  );
  const [zeroOnSheetX, zero] =
    view.zero === 'centre-line'
      ? [cvX, `Zero across is the centre line, ${formatPaper(cvX, style)} from the sheet’s left edge; left is minus.`]
      : view.zero === 'leftmost-mark' && leftmost
        ? [
            cvX + (leftmost.u ?? 0),
            `Zero across is the taped mark ${leftmost.mark.label}, ${formatPaper(Math.abs(cvX + (leftmost.u ?? 0)), style)} ${cvX + (leftmost.u ?? 0) < 0 ? 'left' : 'right'} of the sheet’s left edge.`,
          ]
        : [0, 'Zero across is the sheet’s left edge; left of it is minus.'];
  const across = (u: number): number => cvX + u - zeroOnSheetX;
  const { frame } = view;
  const ground = setOut.groundLineV;
  const row: MakeRow = (role, id, label, words, u, v, note = '') => ({
    role,
    id,
    label,
    words,
    across: u === null ? null : across(u),
    up: v === null ? null : cvY + v,
    overGround: role.row === 'height' && v !== null ? v - ground : null,
    note,
  });

  const points = setOut.groups.flatMap((group, index) =>
    (groups[index] ?? []).map(({ mark, reach }): SetOutRow => {
      const { aid, usedAt } = reach;
      const role: RowRole = { row: 'mark', mark: mark.name };
      if (aid?.by === 'ticks')
        return row(role, mark.id, mark.label, mark.words, mark.at.u, 0, `${lies(mark, style)}: by ticks on the edges`);
      if (aid?.by === 'fraction' && usedAt)
        return row(
          role,
          mark.id,
          `${mark.label}/${aid.n}`,
          `${mark.words}, at 1/${aid.n}: lay lengths off at 1/${aid.n}`,
          usedAt.u,
          0,
        );
      const served = index === 0 ? '' : `, for ${namesServed(project, group.serves)}`;
      return row(
        role,
        mark.id,
        mark.label,
        `${mark.words}${served}`,
        mark.at.u,
        0,
        aid?.by === 'strip' ? `on a strip: ${lies(mark, style)}` : lies(mark, style),
      );
    }),
  );
  const sections: SetOutSection[] = [
    {
      title: 'Lines',
      rows: [
        row({ row: 'line', line: 'horizon' }, 'horizon', 'HL', 'horizon', null, 0),
        row({ row: 'line', line: 'ground-line' }, 'ground-line', 'GL', 'ground line', null, ground),
        row(
          { row: 'line', line: 'centre-line' },
          'centre-line',
          'CL',
          'centre line, through the centre of vision CV',
          0,
          null,
        ),
      ],
    },
    {
      title: 'Frame',
      rows: [
        row({ row: 'frame', side: 'left' }, 'frame-left', 'FL', 'left side', frame.left, null),
        row({ row: 'frame', side: 'right' }, 'frame-right', 'FR', 'right side', frame.right, null),
        row({ row: 'frame', side: 'bottom' }, 'frame-bottom', 'FB', 'lower side', null, frame.bottom),
        row({ row: 'frame', side: 'top' }, 'frame-top', 'FT', 'upper side', null, frame.top),
      ],
    },
    { title: 'Points on the horizon', rows: points },
    {
      title: 'Points of lines that climb, off the horizon',
      rows: setOut.slopes.flatMap((slope) =>
        [slope.vanishing, slope.measuring].map((mark) =>
          row(
            { row: 'mark', mark: mark.name },
            mark.id,
            mark.label,
            mark.words,
            mark.at.u,
            mark.at.v,
            lies(mark, style),
          ),
        ),
      ),
    },
    {
      title: 'Where walls meet the picture plane, on the ground line',
      rows: traceRows(project, view, setUp, ground, row),
    },
    {
      title: 'True heights above the ground line, on any upright in the picture plane',
      rows: heightRows(project, view, setUp, ground, row),
    },
  ];
  const ladders = view.aids.flatMap((aid): SetOutSection[] => {
    const mark = markNamed(setOut, aid.mark);
    if (!mark) return [];
    if (aid.by === 'strip') {
      const place = stripPlace(view, mark);
      return [
        {
          title: `Strip for ${mark.label}, taped on beside the board`,
          rows: [
            row(
              { row: 'strip', mark: mark.name },
              `${mark.id}-strip`,
              mark.label,
              `${formatPaper(place.beyond, style)} beyond the board’s ${place.side} edge, ${formatPaper(place.up, style)} above its lower edge`,
              mark.at.u,
              0,
            ),
          ],
        },
      ];
    }
    if (aid.by !== 'ticks') return [];
    const ladder = edgeTicks(view, mark.at, aid.stepMm);
    if (!ladder) return [];
    return [
      {
        title: `Ticks for ${mark.label}: a line through both of a pair goes to ${mark.label}. One tick ${formatPaper(0.2, { ...style, rulerStepMm: 0.1 })} out costs ${ladder.cost.oneTickMm.toFixed(2)} mm in the middle of the drawing`,
        rows: ladder.pairs.flatMap((pair) => [
          row(
            { row: 'tick', mark: mark.name, number: pair.number, edge: 'near' },
            `${mark.id}-tick-${pair.number}-near`,
            `${pair.number}`,
            `near, ${ladder.edge} edge`,
            pair.near.u,
            pair.near.v,
          ),
          row(
            { row: 'tick', mark: mark.name, number: pair.number, edge: 'far' },
            `${mark.id}-tick-${pair.number}-far`,
            `${pair.number}`,
            'far',
            pair.far.u,
            pair.far.v,
          ),
        ]),
      },
    ];
  });
  return { zero, zeroOnSheetX, sections: [...sections, ...ladders].filter((section) => section.rows.length > 0) };
}

type MakeRow = (
  role: RowRole,
  id: string,
  label: string,
  words: string,
  u: number | null,
  v: number | null,
  note?: string,
) => SetOutRow;

function traceRows(project: Project, view: View, setUp: SetUp, ground: number, row: MakeRow): readonly SetOutRow[] {
  return project.spaces
    .filter((space) => space.levelId === view.levelId)
    .flatMap((space) => space.walls)
    .flatMap((wall, index) => {
      const line = wallLine(project, view, setUp, wall.id);
      if (!line.ok) return [];
      // A wall nearly along the picture plane meets it far away: nothing to lay down.
      if (Math.abs(line.value.trace.u) > 20 * setUp.viewingDistance) return [];
      return [
        row(
          { row: 'trace', wallId: wall.id },
          `trace-${wall.id}`,
          `T${index + 1}`,
          wall.name,
          line.value.trace.u,
          ground,
        ),
      ];
    });
}

function heightRows(project: Project, view: View, setUp: SetUp, ground: number, row: MakeRow): readonly SetOutRow[] {
  const own = mmOf(levelOf(project, view.levelId).elevation);
  const heights = new Map<number, string[]>();
  const add = (mm: number, words: string): void => {
    const key = Math.round(mm * 1000) / 1000;
    heights.set(key, [...(heights.get(key) ?? []), words]);
  };
  for (const space of project.spaces) {
    const floor = mmOf(levelOf(project, space.levelId).elevation) - own;
    add(floor + mmOf(space.ceilingHeight), `ceiling of ${space.name}`);
    for (const { mm, words } of ceilingHeights(space)) add(floor + mm, words);
    const walls = new Set(wallRuns(space).map((run) => run.wall.id));
    for (const opening of project.openings.filter((one) => walls.has(one.wallId))) {
      if (mmOf(opening.sill) > 0) add(floor + mmOf(opening.sill), `sill of ${opening.name}`);
      add(floor + mmOf(opening.sill) + mmOf(opening.height), `head of ${opening.name}`);
    }
  }
  return [...heights]
    .sort(([a], [b]) => a - b)
    .map(([mm, words], index) =>
      row(
        { row: 'height' },
        `height-${index + 1}`,
        `E${index + 1}`,
        words.slice(0, 3).join(', '),
        null,
        ground + mm / setUp.scaleDenominator,
      ),
    );
}

/** Names of the things a point serves, as one says them: no more than two, then how many more. */
export function namesServed(project: MeasuredRoom, serves: readonly Served[]): string {
  const names = serves.map((one) => nameOfThing(project, one.id));
  return names.length > 2 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(' and ');
}
