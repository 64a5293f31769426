import type { Opening } from '@/core/record';
import { numberParts } from '../lettering';
import { block, drum, group, prism, type Part, type Range } from '../parts';
import { leafParts, panelRows } from './leaf';
import { barsIn, rectangle, type Bars } from './lights';
import { sizeRule, TRIM_SIZES, type Fitted, type OpeningKind } from './opening-kind';
import { trimParts } from './trim';

const OPEN_BY = 'open by';
/** How far plates, panels and frames stand before a leaf, mm. */
const PROUD_MM = 8;
/** Between two leaves that are shut, mm: without it they would be one board. */
const JOINT_MM = 3;

/** A leaf: the side it is hinged at, its hinge, mm from the opening's left end, how wide it is, and the name of what it is built of. */
interface Leaf {
  readonly right: boolean;
  readonly hinge: number;
  readonly width: number;
  readonly name: string;
}

/** One leaf over the whole opening, or one from each side that meet in its middle. */
function leavesOf(f: Fitted): readonly Leaf[] {
  if (f.choice('leaves') === 'two')
    return [
      { right: false, hinge: 0, width: (f.width - JOINT_MM) / 2, name: 'door' },
      { right: true, hinge: f.width, width: (f.width - JOINT_MM) / 2, name: 'door-2' },
    ];
  const right = f.choice('hinge') === 'right';
  return [{ right, hinge: right ? f.width : 0, width: f.width, name: 'door' }];
}

/** Turn of a leaf from the opening's x toward y: into the room, or away from it. */
function turnOf(f: Fitted, { right }: Leaf): number {
  const open = f.choice('swing') === 'into the room' ? f.count(OPEN_BY) : -f.count(OPEN_BY);
  return right ? 180 - open : open;
}
/** A leaf that is shut and leads nowhere else is drawn as the opening's back; an open one, or one between two rooms, is a thing of its own. */
const isFlat = ({ throughWallId, counts }: Opening): boolean => throughWallId === null && (counts[OPEN_BY] ?? 0) === 0;

const panesOf = (f: Fitted): Bars | null =>
  f.choice('panels are') === 'glass'
    ? { across: f.count('bars across'), up: f.count('bars up'), bar: f.size('bar') }
    : null;

/** Where a knob sits on a leaf of a width: as far from its free edge as hands like it; none where there is no room. */
const knobOf = (f: Fitted, wide: number): { readonly along: number; readonly up: number } | null => {
  const up = f.size('knob height');
  return f.height > up + 100 && wide > 300 ? { along: wide - 65, up } : null;
};

/** Within a frame of a slat's width. */
const FRAME_MM = 22;
const inner = ([from, to]: Range): Range => [from + FRAME_MM, to - FRAME_MM];

/** Letter plate and cat flap in the middle of a leaf, on one of its faces: y from the face outward. */
function plates(f: Fitted, wide: number, y: Range): Part[] {
  const middle = wide / 2;
  const [plate, flap] = [f.size('letter plate height'), f.size('cat flap height')];
  const parts: Part[] = [];
  if (plate > 0 && wide > 320 && f.height > plate + 40)
    parts.push(block('letter-plate', [middle - 130, middle + 130], y, [plate - 20, plate + 20]));
  if (flap > 0 && wide > 280 && f.height > flap + 240) {
    const [x, z]: [Range, Range] = [
      [middle - 110, middle + 110],
      [flap, flap + 230],
    ];
    parts.push(prism('cat-flap', 'y', y, rectangle(x, z), [rectangle(inner(x), inner(z))]));
  }
  return parts;
}

/** How far figures stand before a leaf, mm. */
const FIGURE_MM = 3;

/** The room's number at its height on a leaf; none where there is no room for it. */
function numbered(f: Fitted, wide: number): Part[] {
  const [value, high, up] = [f.count('room number'), f.size('number height'), f.size('number above the floor')];
  const room = high > 0 && wide > high * 0.75 * String(value).length + 40 && up > 0 && f.height > up + high;
  return value > 0 && room ? numberParts('number', value, up, high, [0, FIGURE_MM]) : [];
}

/** Whether the room's number lies on one of a shut leaf's wooden panels, which stand before it. */
function onPanel(f: Fitted, rows: readonly Range[]): boolean {
  const [up, high] = [f.size('number above the floor'), f.size('number height')];
  return panesOf(f) === null && rows.some(([from, to]) => up < to && up + high > from);
}

/** The same on both faces of a leaf, each under a name of its own; a number is read from either side. */
function onBothFaces(f: Fitted, wide: number, front: Range, back: Range): Part[] {
  const number = numbered(f, wide);
  return [
    ...plates(f, wide, front),
    ...plates(f, wide, back).map((part) => ({ ...part, name: `${part.name}-back` })),
    ...(number.length > 0
      ? [group('front', [wide / 2, front[0], 0], 0, number), group('back', [wide / 2, back[1], 0], 180, number)]
      : []),
  ];
}

/** The leaves about their hinges. Shut they lie behind the reveal; into the room they turn from x toward y. */
function doorParts(f: Fitted): Part[] {
  const thick = f.size('leaf thickness');
  const leaves = leavesOf(f).map((leaf) => {
    const { right, width } = leaf;
    const [low, high] = right ? [0, thick] : [-thick, 0];
    const built = leafParts('leaf', [0, width], [low, high], [0, f.height], {
      stile: f.size('stile width'),
      panels: f.count('panels'),
      panes: panesOf(f),
    });
    const knob = knobOf(f, width);
    const knobs = knob
      ? [
          drum('knob-front', [knob.along, high, knob.up], 26, 45, 'y'),
          drum('knob-back', [knob.along, low - 45, knob.up], 26, 45, 'y'),
        ]
      : [];
    const on = onBothFaces(f, width, [high, high + PROUD_MM], [low - PROUD_MM, low]);
    return group(leaf.name, [leaf.hinge, -f.reveal, 0], turnOf(f, leaf), [...built, ...knobs, ...on]);
  });
  return [...leaves, ...trimParts(f, false)];
}

/** A shut door whose leaf is the opening's own back: panels or panes, knobs and plates only, before the leaf, and where two leaves meet their joint. */
function shutDoorParts(f: Fitted): Part[] {
  const y: Range = [-f.reveal, -f.reveal + PROUD_MM];
  const leaves = leavesOf(f);
  const parts = leaves.flatMap(({ right, hinge, width }, i): Part[] => {
    const left = right ? hinge - width : hinge;
    const along = (x: number): number => left + (right ? width - x : x);
    const stile = f.size('stile width');
    const rows = panelRows([0, width], [0, f.height], { stile, panels: f.count('panels'), panes: panesOf(f) });
    const across: Range = [left + stile, left + width - stile];
    const panes = panesOf(f);
    const end = leaves.length > 1 ? `-${i === 0 ? 'left' : 'right'}` : '';
    const panels = rows.flatMap((row, n): Part[] =>
      panes
        ? [
            prism(`pane${end}-${n + 1}`, 'y', y, rectangle(across, row), [rectangle(inner(across), inner(row))]),
            ...barsIn(`pane${end}`, n + 1, inner(across), inner(row), y, panes),
          ]
        : [block(`panel${end}-${n + 1}`, across, y, row)],
    );
    const knob = knobOf(f, width);
    return [
      ...panels,
      ...(knob ? [drum(`knob${end}`, [along(knob.along), -f.reveal, knob.up], 26, 45, 'y')] : []),
      ...(i === 0
        ? [
            ...plates(f, width, y).map((part) => group('on-leaf', [left, 0, 0], 0, [part])),
            group('front', [left + width / 2, onPanel(f, rows) ? y[1] : y[0], 0], 0, numbered(f, width)),
          ]
        : []),
    ];
  });
  const joint =
    leaves.length > 1 ? [block('joint', [f.width / 2 - 6, f.width / 2 + 6], [y[0], y[0] + 4], [0, f.height])] : [];
  return [...parts, ...joint, ...trimParts(f, false)];
}

export const door: OpeningKind = {
  id: 'door',
  name: 'Door',
  usual: { width: 860, sill: 0, height: 2010, reveal: 60 },
  head: 'flat',
  sizes: {
    'leaf thickness': sizeRule(40, 15, 100),
    'stile width': sizeRule(110, 50, 220),
    'knob height': sizeRule(1020, 300, 1600),
    bar: sizeRule(22, 8, 80),
    // Nought: there is none.
    'letter plate height': sizeRule(0, 0, 1600),
    'cat flap height': sizeRule(0, 0, 600),
    'number height': sizeRule(60, 15, 300),
    'number above the floor': sizeRule(1550, 300, 2400),
    ...TRIM_SIZES,
  },
  counts: {
    [OPEN_BY]: sizeRule(0, 0, 180),
    panels: sizeRule(2, 0, 4),
    'bars across': sizeRule(1, 0, 6),
    'bars up': sizeRule(1, 0, 6),
    // Nought: it has none.
    'room number': sizeRule(0, 0, 9999),
  },
  choices: {
    hinge: ['left', 'right'],
    swing: ['into the room', 'away'],
    leaves: ['one', 'two'],
    'panels are': ['wood', 'glass'],
  },
  backed: isFlat,
  open: 'through',
  parts: (f) => (isFlat({ ...f.opening, counts: { [OPEN_BY]: f.count(OPEN_BY) } }) ? shutDoorParts(f) : doorParts(f)),
  leaves: (f) =>
    f.count(OPEN_BY) === 0 ? [] : leavesOf(f).map((leaf) => ({ hinge: leaf.hinge, turnDeg: turnOf(f, leaf) })),
  sweeps: (f) =>
    leavesOf(f).map(({ right, hinge, width }) => {
      const way = f.choice('swing') === 'into the room' ? 1 : -1;
      const shut = right ? 180 : 0;
      const open = (right ? -way : way) * Math.max(90, f.count(OPEN_BY));
      return { hinge, radius: width, fromDeg: shut, toDeg: shut + open };
    }),
  walked: true,
  inPlan: { back: true, pane: false },
  sketch: 'M0,0V-200H86V0M0,0H86M8,-8V-80H78V-8ZM8,-95V-190H78V-95ZM72,-86h4',
};
