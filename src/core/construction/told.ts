import { capital } from '@/core/base';
import { besideSheet } from './beside-sheet';
import { tolerance } from '@/core/numeric';
import { lists } from './lists';
import { footOn } from './machine';
import { makes, type LineId, type MarkId, type Operation, type Sense } from './operation';
import type { PlannedStep } from './order';
import type { Pass } from './pass';
import type { Saying } from './say';
import { backWallSaid, judgedSaid } from './told-depth';
import type { Telling, Told, ToldCrossing } from './telling';
import { measuresOf } from './told-measures';
import { ELEVATION_ZERO, PLAN_ZERO, STATION } from './plan-sheet';

/** More than so many figures are a table. */
export const MOST_IN_SENTENCES = 4;
/** Beside a judged step, which has a figure of its own, crossings are a table sooner. */
const MOST_BESIDE_JUDGED = 1;
/** A line that ends this near to its mark is not drawn beyond it, mm. */
const BEYOND_MM = 1e-3;

const SENSE_WORDS: Readonly<Record<Sense, string>> = {
  right: 'to the right',
  left: 'to the left',
  up: 'up',
  down: 'down',
};

const label = ({ labels }: Telling, mark: MarkId): string => labels.get(mark) ?? '';

/** A line as it is called: by its own name, or by the marks it was ruled through. */
export function lineName(telling: Telling, line: LineId): string {
  const own = telling.named.get(line);
  if (own !== undefined) return own;
  const made = telling.madeBy.get(line);
  switch (made?.op) {
    case 'rule': {
      // The mark first, the point it runs to after it.
      const [p, q] = made.through;
      const [from, to] = telling.points.has(p) && !telling.points.has(q) ? [q, p] : [p, q];
      return `${label(telling, from)}–${label(telling, to)}`;
    }
    case 'level':
      return `the level through ${label(telling, made.through)}`;
    case 'upright':
      return telling.onPlan.has(line)
        ? `the square through ${label(telling, made.through)}`
        : `the upright through ${label(telling, made.through)}`;
    case 'parallel':
      return `the parallel through ${label(telling, made.through)}`;
    default:
      return '';
  }
}

/** To which sides of its mark a line is drawn, along a sense of it: on, back, both, or nowhere beyond the mark. */
type Sides = 'on' | 'back' | 'both' | 'neither';

function sidesOf({ machine, extents }: Telling, line: LineId, from: MarkId, toward: MarkId | null): Sides {
  const extent = extents.get(line);
  if (!extent) return 'neither';
  const drawn = machine.lineOf(line);
  const zero = footOn(drawn, machine.markAt(from));
  const sense = toward === null ? 1 : Math.sign(footOn(drawn, machine.markAt(toward)) - zero) || 1;
  const ends = extent.map((mark) => (footOn(drawn, machine.markAt(mark)) - zero) * sense);
  const [back, on] = [Math.min(...ends) < -BEYOND_MM, Math.max(...ends) > BEYOND_MM];
  return on ? (back ? 'both' : 'on') : back ? 'back' : 'neither';
}

/** Lines of one pass by the sides they are drawn to. */
function bySides<T>(list: readonly T[], sides: (one: T) => Sides): ReadonlyMap<Sides, readonly T[]> {
  const groups = new Map<Sides, T[]>();
  for (const one of list) {
    const side = sides(one);
    const group = groups.get(side);
    if (group) group.push(one);
    else groups.set(side, [one]);
  }
  return groups;
}

/** What is said of lines through marks, side by side. */
function told(
  telling: Telling,
  lines: readonly { readonly line: LineId; readonly mark: MarkId }[],
  toward: MarkId | null,
  words: Readonly<Record<Sides, (marks: string) => string>>,
): readonly Saying[] {
  // Marks of a grid as they stand, from left to right; others in the order in which they were made, as they are numbered.
  const onGrid = lines.every(({ mark }) => telling.squares?.labels.has(mark));
  const u = (mark: MarkId): number => telling.machine.markAt(mark).u;
  const sorted = onGrid ? [...lines].sort((a, b) => u(a.mark) - u(b.mark)) : lines;
  const groups = bySides(sorted, ({ line, mark }) => sidesOf(telling, line, mark, toward));
  return [...groups].flatMap(([side, group]) =>
    [...lists(group.map(({ mark }) => label(telling, mark)))].map((marks): Saying => [capital(words[side](marks))]),
  );
}

/** The lines a curve touches, each with the mark in which it does. */
const touched = (
  { through, tangents }: Extract<Operation, { readonly op: 'curve' }>,
  telling: Telling,
): readonly string[] =>
  tangents.flatMap((line, i) =>
    line === null ? [] : [`${lineName(telling, line)} in ${label(telling, through[i] ?? '')}`],
  );

/** Lines ruled from mark to mark. */
const betweenMarks = (operations: readonly Operation[], telling: Telling): readonly string[] =>
  operations.flatMap((one) =>
    one.op !== 'rule' || one.through.some((mark) => telling.ticks.has(mark)) ? [] : [fromTo(one, telling)],
  );

/** From mark to mark, or to where the line is carried on beyond them. */
function fromTo({ line, through: [p, q] }: Extract<Operation, { readonly op: 'rule' }>, telling: Telling): string {
  // Beyond a mark: on the side away from the other one.
  const beyond = (mark: MarkId, other: MarkId): boolean =>
    ['back', 'both'].includes(sidesOf(telling, line, mark, other));
  const [before, after] = [beyond(p, q), beyond(q, p)];
  const [a, b] = [label(telling, p), label(telling, q)];
  if (before && after) return `both ways through ${a} with ${b}`;
  if (after) return `from ${a} on through ${b}`;
  return before ? `from ${b} on through ${a}` : `from ${a} to ${b}`;
}

/** Lines ruled to a point, or to the tick that stands for one. */
function toward(
  telling: Telling,
  point: MarkId,
  lines: readonly { readonly line: LineId; readonly mark: MarkId }[],
): readonly Saying[] {
  const name = label(telling, point);
  return [
    [`Lay the straightedge on ${name}.`],
    ...told(telling, lines, point, {
      on: (marks) => `rule from ${marks} toward ${name}.`,
      back: (marks) => `rule on from ${marks}, away from ${name}.`,
      both: (marks) => `rule through ${marks}, toward ${name} and away from it.`,
      neither: (marks) => `draw but a short dash in line with it at ${marks}.`,
    }),
  ];
}

type Words<P extends Pass['pass']> = (
  pass: Extract<Pass, { readonly pass: P }>,
  operations: readonly Operation[],
  telling: Telling,
) => readonly Saying[];

/** What each pass says, but for what is measured and where lines cross. */
const WORDS: { readonly [P in Pass['pass']]: Words<P> } = {
  points: (_, operations, telling) =>
    operations.flatMap((one): Saying[] => {
      if (one.op !== 'take') return [];
      const { u } = one.point;
      return one.slides === 'u'
        ? [
            [
              `On the horizon mark ${label(telling, one.mark)}, `,
              { paperMm: Math.abs(u) },
              ` ${SENSE_WORDS[u < 0 ? 'left' : 'right']} of CV.`,
            ],
          ]
        : [
            [
              `Mark the centre of vision, ${label(telling, one.mark)}: `,
              { paperMm: telling.centreOnSheet.x },
              ' from the sheet’s left edge, ',
              { paperMm: telling.centreOnSheet.y },
              ' above its lower edge.',
            ],
          ];
    }),
  scale: ({ on, from }, operations, telling) => [
    [`Lay the scale rule on ${lineName(telling, on)} with its zero at ${label(telling, from)}.`],
    ...backWallSaid(operations, telling),
  ],
  'to-a-point': ({ point }, operations, telling) => {
    const lines = operations.flatMap((one) =>
      one.op === 'rule' ? [{ line: one.line, mark: one.through[0] === point ? one.through[1] : one.through[0] }] : [],
    );
    return toward(telling, point, lines);
  },
  levels: (_, operations, telling) => [
    ...told(telling, throughOne(operations), null, {
      on: (marks) => `rule level, to the right from ${marks}.`,
      back: (marks) => `rule level, to the left from ${marks}.`,
      both: (marks) => `rule level through ${marks}, to both sides.`,
      neither: (marks) => `draw but a short level dash at ${marks}.`,
    }),
    ...namesGiven(operations, telling, 'level'),
  ],
  uprights: (_, operations, telling) => [
    ...told(telling, throughOne(operations), null, {
      on: (marks) => `rule upright, up from ${marks}.`,
      back: (marks) => `rule upright, down from ${marks}.`,
      both: (marks) => `rule upright through ${marks}, up and down.`,
      neither: (marks) => `draw but a short upright dash at ${marks}.`,
    }),
    ...namesGiven(operations, telling, 'upright'),
  ],
  plan: (_, operations, telling) => {
    const { heights } = telling;
    const corners = operations.flatMap((one) =>
      one.op === 'take' && !LAID.has(one.mark) && !heights.has(one.mark) ? [one.mark] : [],
    );
    const beside = operations.some((one) => one.op === 'take' && one.mark === ELEVATION_ZERO);
    const found = operations.some((one) => one.op === 'take' && heights.has(one.mark) && one.mark !== ELEVATION_ZERO);
    const laid = operations.find((one) => one.op === 'take' && one.mark === STATION);
    return [
      ...(laid?.op === 'take'
        ? [
            ...(telling.planAbove
              ? [
                  ['Lay the plan above the sheet, its picture plane level.'] as Saying,
                  [
                    `${label(telling, PLAN_ZERO)} stands straight above what lies `,
                    { paperMm: telling.centreOnSheet.x },
                    ' along the sheet’s upper edge from its left end.',
                  ] as Saying,
                ]
              : [['Lay the plan beside the sheet or on a paper of its own, its picture plane level.'] as Saying]),
            ['Its scale is that of the picture plane.'] as Saying,
            [
              `${label(telling, PLAN_ZERO)} is where the line of sight crosses the picture plane; ${label(telling, STATION)}, the station point, lies `,
              { paperMm: -laid.point.v },
              ' below it.',
            ] as Saying,
          ]
        : []),
      ...[...lists(corners.map((mark) => label(telling, mark)))].map((marks): Saying => [
        `Letter ${marks} on the plan, as the plan sheet has them.`,
      ]),
      ...(beside
        ? [
            [
              `Set the elevation beside the plan, at the same scale, with an upright edge; ${label(telling, ELEVATION_ZERO)} is where ${telling.named.get(telling.ground) ?? ''} meets the edge.`,
            ] as Saying,
          ]
        : []),
      ...(found
        ? [[`Carry the heights to its edge by level lines, their zero at ${label(telling, ELEVATION_ZERO)}.`] as Saying]
        : []),
    ];
  },
  squares: (_, operations, telling) =>
    told(telling, throughOne(operations), null, {
      on: (marks) => `on the plan rule square to the picture plane, up from ${marks}.`,
      back: (marks) => `on the plan rule square to the picture plane, down from ${marks}.`,
      both: (marks) => `on the plan rule square to the picture plane through ${marks}, up and down.`,
      neither: (marks) => `on the plan draw but a short dash square to the picture plane at ${marks}.`,
    }),
  parallels: ({ to }, operations, telling) => [
    [`Set two squares to ${lineName(telling, to)}.`],
    ...[...lists(throughOne(operations).map(({ mark }) => label(telling, mark)))].map((marks): Saying => [
      `Slide them along and rule through ${marks}.`,
    ]),
  ],
  'one-line': (_, operations, telling) =>
    operations
      .flatMap((one): readonly Saying[] => {
        if (one.op !== 'rule') return [];
        const tick = one.through.find((mark) => telling.ticks.has(mark));
        const mark = one.through.find((other) => other !== tick);
        return tick !== undefined && mark !== undefined ? toward(telling, tick, [{ line: one.line, mark }]) : [];
      })
      .concat([...lists(betweenMarks(operations, telling))].map((list): Saying => [`Rule ${list}.`])),
  dividers: ({ between }, operations, telling) => [
    [`Take the distance from ${label(telling, between[0])} to ${label(telling, between[1])} in the dividers.`],
    ...operations.flatMap((one): Saying[] =>
      one.op === 'transfer'
        ? [
            [
              `Set it off on ${lineName(telling, one.on)} from ${label(telling, one.from)}, ${SENSE_WORDS[one.toward]}: ${label(telling, one.mark)}.`,
            ],
          ]
        : [],
    ),
  ],
  strip: ({ on, zero }, operations, telling) => [
    operations.some((one) => one.op === 'strip' && one.zero[1] === ELEVATION_ZERO)
      ? [`Lay a strip of paper upright on the edge of the elevation, its zero at ${label(telling, ELEVATION_ZERO)}.`]
      : [`Lay a strip of paper on the picture plane of the plan, its zero at ${label(telling, PLAN_ZERO)}.`],
    ...listed(operations, telling, 1).map((marks): Saying => [`Tick on it ${marks}.`]),
    [`Carry it to ${lineName(telling, on)}, its zero at ${label(telling, zero)}.`],
    ...listed(operations, telling, 0).map((marks): Saying => [`Prick through ${marks}.`]),
  ],
  drop: ({ on }, operations, telling) => [
    ['Set the square on the parallel rule.'],
    ...listed(operations, telling, 1).map((marks): Saying => [
      `Drop ${marks} from the plan straight down to ${lineName(telling, on)}.`,
    ]),
    ...listed(operations, telling, 0).map((marks): Saying => [`Prick there ${marks}.`]),
  ],
  'by-hand': (_, operations, telling) =>
    operations.flatMap((one): Saying[] => {
      if (one.op !== 'curve') return [];
      const [first, ...more] = [...lists(one.through.map((mark) => label(telling, mark)))];
      return [
        [`Draw a curve by hand through ${first ?? ''}${one.closed && more.length === 0 ? ', and close it' : ''}.`],
        ...more.map((marks): Saying => [`Carry it on through ${marks}.`]),
        ...[...lists(touched(one, telling))].map((lines): Saying => [`It touches ${lines}.`]),
      ];
    }),
  crossings: () => [],
};

/** What the strips of a pass carry, along the strip: as it lies on the picture, or on the plan. */
function listed(operations: readonly Operation[], telling: Telling, paper: 0 | 1): readonly string[] {
  const marks = operations.flatMap((one) => (one.op === 'strip' ? one.marks : []));
  // From left to right, and from below up.
  const along = [...marks].sort(([a], [b]) => {
    const [p, q] = [telling.machine.markAt(a), telling.machine.markAt(b)];
    return Math.abs(p.u - q.u) > tolerance.touchMm ? p.u - q.u : p.v - q.v;
  });
  return [...lists(along.map((pair) => label(telling, pair[paper])))];
}

/** What the plan has on it before a corner is lettered. */
const LAID: ReadonlySet<MarkId> = new Set([STATION, PLAN_ZERO, ELEVATION_ZERO]);

/** Lines that have names of their own are named when they are drawn. */
const namesGiven = (operations: readonly Operation[], telling: Telling, what: 'level' | 'upright'): readonly Saying[] =>
  throughOne(operations).flatMap(({ line, mark }): Saying[] => {
    const name = telling.squares?.names.has(line) ? undefined : telling.named.get(line);
    return name === undefined ? [] : [[`The ${what} through ${label(telling, mark)} is ${name}.`]];
  });

const throughOne = (operations: readonly Operation[]): readonly { readonly line: LineId; readonly mark: MarkId }[] =>
  operations.flatMap((one) =>
    one.op === 'level' || one.op === 'upright' || one.op === 'parallel' ? [{ line: one.line, mark: one.through }] : [],
  );

/** What is written at lines of the grid, where the mark they are drawn from does not bear it already. */
function gridNumbers(operations: readonly Operation[], telling: Telling): readonly Saying[] {
  const { squares, labels } = telling;
  if (!squares) return [];
  const numbers = operations.flatMap((one): readonly string[] => {
    const { line, usesMarks } = makes(one);
    const call = line === null ? undefined : squares.calls.get(line);
    const from = usesMarks.find((mark) => !telling.points.has(mark));
    const at = from === undefined ? undefined : labels.get(from);
    return call === undefined || at === undefined || at === call ? [] : [`${call} at ${at}`];
  });
  return [...lists(numbers)].map((list): Saying => [`Write ${list}.`]);
}

/** A step in words: imperative, one action a sentence, at most two figures in it. Source: construction, 8. */
export function tell({ pass, operations, of }: PlannedStep, telling: Telling): Told {
  const says = (WORDS[pass.pass] as Words<Pass['pass']>)(pass as never, operations, telling);
  const measures = measuresOf(operations, telling);
  const crossings = operations.flatMap((one): ToldCrossing[] =>
    one.op === 'cross'
      ? [
          {
            mark: one.mark,
            label: label(telling, one.mark),
            lines: [lineName(telling, one.lines[0]), lineName(telling, one.lines[1])],
            counted: of.length > 0 ? (telling.squares?.counted.get(one.mark) ?? null) : null,
          },
        ]
      : [],
  );
  // Heights of an elevation are told beside the letters of corners: more than one would be too much to hear.
  const most = pass.pass === 'plan' ? 1 : MOST_IN_SENTENCES;
  const judged = judgedSaid(operations, telling);
  const mostCrossings = judged.length > 0 ? MOST_BESIDE_JUDGED : MOST_IN_SENTENCES;
  const inTable = { measures: measures.length > most, crossings: crossings.length > mostCrossings };
  const measured = inTable.measures
    ? [['Mark what the table says.'] as Saying]
    : measures.map((one): Saying => [
        `Mark ${one.label} at `,
        { real: one.real },
        ': ',
        { paperMm: one.paperMm },
        ` ${SENSE_WORDS[one.toward]}.`,
      ]);
  const crossed = inTable.crossings
    ? [['Mark where lines cross, by the table.'] as Saying]
    : crossings.map(({ label, lines, counted }): Saying => [
        `Mark ${label} where ${lines[0]} crosses ${lines[1]}${counted === null ? '' : `: ${counted}`}.`,
      ]);
  return {
    says: [
      ...says,
      ...gridNumbers(operations, telling),
      ...measured,
      ...crossed,
      ...judged,
      ...besideSheet(operations, telling),
    ],
    measures: inTable.measures ? measures : [],
    crossings: inTable.crossings ? crossings : [],
    parts: [],
  };
}
