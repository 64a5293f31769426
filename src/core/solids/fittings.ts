import { along2 } from '@/core/geometry';
import { mmOf, type Opening, type OpeningKind, type WallRun } from '@/core/record';
import type { Axes } from './assemble';
import { Assembly } from './assemble';
import type { Body } from './body';
import { BodyBuilder } from './body-builder';
import type { Cut } from './cut';
import type { CountRule, SizeRule } from './kind';
import { equal, laid } from './kinds/helpers';
import { block, drum, group, prism, type Part, type Range } from './parts';

/** Sizes, numbers and choices an opening of this kind has beyond its own five, with their usual values. */
export interface OpeningFittings {
  readonly name: string;
  readonly usual: { readonly width: number; readonly sill: number; readonly height: number; readonly reveal: number };
  readonly sizes: Readonly<Record<string, SizeRule>>;
  readonly counts: Readonly<Record<string, CountRule>>;
  readonly choices: Readonly<Record<string, readonly string[]>>;
}

const size = (usual: number, least: number, most: number): SizeRule => ({ usual, least, most });
const trim = { 'trim width': size(0, 0, 250), 'trim thickness': size(18, 4, 80) };
const rise = { rise: size(450, 20, 3000) };

export const OPENING_FITTINGS: Readonly<Record<OpeningKind, OpeningFittings>> = {
  door: {
    name: 'Door',
    usual: { width: 860, sill: 0, height: 2010, reveal: 60 },
    sizes: { 'leaf thickness': size(40, 15, 100), 'stile width': size(110, 50, 220), ...trim },
    counts: { 'open by': size(0, 0, 180), panels: size(2, 0, 4) },
    choices: { hinge: ['left', 'right'], swing: ['into the room', 'away'] },
  },
  window: {
    name: 'Window',
    usual: { width: 1200, sill: 900, height: 1200, reveal: 150 },
    sizes: {
      'frame width': size(60, 20, 200),
      'frame depth': size(60, 20, 200),
      bar: size(24, 8, 80),
      'sill board': size(0, 0, 400),
      ...rise,
      ...trim,
    },
    counts: {
      mullions: size(1, 0, 8),
      transoms: size(0, 0, 4),
      'bars across': size(0, 0, 6),
      'bars up': size(0, 0, 6),
    },
    choices: { sashes: ['fixed', 'sliding'], curtains: ['none', 'open', 'drawn'] },
  },
  archway: {
    name: 'Archway or passage',
    usual: { width: 1000, sill: 0, height: 2050, reveal: 150 },
    sizes: { ...rise, ...trim },
    counts: {},
    choices: { curtains: ['none', 'open', 'drawn'] },
  },
  niche: {
    name: 'Niche',
    usual: { width: 700, sill: 600, height: 1000, reveal: 180 },
    sizes: { ...rise, 'shelf thickness': size(20, 8, 60) },
    counts: { shelves: size(0, 0, 6) },
    choices: {},
  },
  closet: {
    name: 'Closet with panelled doors',
    usual: { width: 1500, sill: 0, height: 2050, reveal: 40 },
    sizes: { 'leaf thickness': size(28, 15, 80), 'stile width': size(85, 40, 200), ...trim },
    counts: { leaves: size(2, 1, 8), panels: size(2, 1, 5) },
    choices: {},
  },
};

interface Fitted {
  readonly width: number;
  readonly height: number;
  readonly rise: number;
  readonly reveal: number;
  readonly size: (name: string) => number;
  readonly count: (name: string) => number;
  readonly choice: (name: string) => string;
}

function fitted(cut: Cut): Fitted {
  const { opening } = cut;
  const rules = OPENING_FITTINGS[opening.kind];
  return {
    width: cut.right - cut.left,
    height: cut.spring - cut.sill,
    rise: cut.rise,
    reveal: cut.reveal,
    size: (name) => {
      const own = opening.sizes[name];
      return own ? mmOf(own) : (rules.sizes[name]?.usual ?? 0);
    },
    count: (name) => opening.counts[name] ?? rules.counts[name]?.usual ?? 0,
    choice: (name) => opening.choices[name] ?? rules.choices[name]?.[0] ?? '',
  };
}

/** Outline of the opening grown by `by` on the sides and the head, from `low` up, its head bent as the opening's is. */
function headed(f: Fitted, by: number, low: number): [number, number, number?][] {
  const { width: w, height: h } = f;
  if (f.rise === 0)
    return [
      [-by, low],
      [w + by, low],
      [w + by, h + by],
      [-by, h + by],
    ];
  // The same centre, the radius larger by as much: it meets the grown sides above or below the springing line.
  const radius = (w * w) / (8 * f.rise) + f.rise / 2;
  const centre = h + f.rise - radius;
  const grown = radius + by;
  const half = w / 2 + by;
  const spring = centre + Math.sqrt(Math.max(0, grown * grown - half * half));
  return [
    [-by, low],
    [w + by, low],
    [w + by, spring, (centre + grown - spring) / half],
    [-by, spring],
  ];
}

/** Trim on the wall's face round the opening: both sides and the head, and under a sill. */
function trimParts(f: Fitted, allRound: boolean): Part[] {
  const wide = f.size('trim width');
  if (wide <= 0) return [];
  const thick = f.size('trim thickness');
  if (allRound) {
    const outer = headed(f, wide, -wide);
    return [prism('trim', 'y', [0, thick], outer, [headed(f, 0, 0)])];
  }
  const outer = headed(f, wide, 0);
  const inner = headed(f, 0, 0);
  // Open below: out along the outer line and back along the inner one, its arc bent the other way.
  const [, , outerHead, outerLeft] = outer;
  const [, , innerHead, innerLeft] = inner;
  if (!outerHead || !outerLeft || !innerHead || !innerLeft) return [];
  return [
    prism(
      'trim',
      'y',
      [0, thick],
      [
        [f.width, 0],
        [f.width + wide, 0],
        outerHead,
        [outerLeft[0], outerLeft[1]],
        [-wide, 0],
        [0, 0],
        [innerLeft[0], innerLeft[1], -(innerHead[2] ?? 0)],
        [innerHead[0], innerHead[1]],
      ],
    ),
  ];
}

/** A framed leaf with inset panels, x from 0 to its width, y over its thickness. */
function leafParts(name: string, x: Range, y: Range, z: Range, stile: number, panels: number): Part[] {
  const wide = x[1] - x[0];
  if (panels === 0 || wide < 2 * stile + 60 || z[1] - z[0] < (panels + 1) * stile + panels * 60)
    return [block(name, x, y, z)];
  const rows = laid(z[0] + stile, equal(panels, z[1] - z[0] - 2 * stile, stile), stile);
  const across: Range = [x[0] + stile, x[1] - stile];
  const deep = (y[1] - y[0]) * 0.3;
  return [
    prism(
      name,
      'y',
      y,
      [
        [x[0], z[0]],
        [x[1], z[0]],
        [x[1], z[1]],
        [x[0], z[1]],
      ],
      rows.map((row): [number, number][] => [
        [across[0], row[0]],
        [across[1], row[0]],
        [across[1], row[1]],
        [across[0], row[1]],
      ]),
    ),
    ...rows.map((row, i) => block(`${name}-panel-${i + 1}`, across, [y[0] + deep, y[1] - deep], row)),
  ];
}

/** The leaf about its hinge. Shut it lies behind the reveal; into the room it turns from x toward y. */
function doorParts(f: Fitted): Part[] {
  const thick = f.size('leaf thickness');
  const open = f.count('open by');
  const right = f.choice('hinge') === 'right';
  const into = f.choice('swing') === 'into the room';
  const turn = into ? open : -open;
  const leaf = leafParts(
    'leaf',
    [0, f.width],
    right ? [0, thick] : [-thick, 0],
    [0, f.height],
    f.size('stile width'),
    f.count('panels'),
  );
  const knob = f.width - 65;
  const at = 1020;
  const knobs =
    f.height > at + 100 && f.width > 300
      ? [
          drum('knob-front', [knob, right ? thick : 0, at], 26, 45, 'y'),
          drum('knob-back', [knob, right ? -45 : -thick - 45, at], 26, 45, 'y'),
        ]
      : [];
  return [
    group('door', [right ? f.width : 0, -f.reveal, 0], right ? 180 - turn : turn, [...leaf, ...knobs]),
    ...trimParts(f, false),
  ];
}

/** A shut door whose leaf is the opening's own back: its panels and knob only, before the leaf. */
function shutDoorParts(f: Fitted): Part[] {
  const stile = f.size('stile width');
  const n = f.count('panels');
  const y = -f.reveal;
  const fits = n > 0 && f.width > 2 * stile + 60 && f.height > (n + 1) * stile + n * 60;
  const panels = fits
    ? laid(stile, equal(n, f.height - 2 * stile, stile), stile).map((z, i) =>
        block(`panel-${i + 1}`, [stile, f.width - stile], [y, y + 8], z),
      )
    : [];
  const right = f.choice('hinge') === 'right';
  const knob =
    f.height > 1120 && f.width > 300 ? [drum('knob', [right ? 65 : f.width - 65, y, 1020], 26, 45, 'y')] : [];
  return [...panels, ...knob, ...trimParts(f, false)];
}

const rectangle = (x: Range, z: Range): [number, number][] => [
  [x[0], z[0]],
  [x[1], z[0]],
  [x[1], z[1]],
  [x[0], z[1]],
];

/** A frame with panes between mullions and transoms, and glazing bars in the panes. */
function lightParts(
  name: string,
  x: Range,
  z: Range,
  y: Range,
  f: Fitted,
  outline: readonly (readonly [number, number, number?])[],
  columns: number,
  rows: number,
): Part[] {
  const frame = f.size('frame width');
  const [wide, high] = [x[1] - x[0], z[1] - z[0]];
  if (wide < (columns + 1) * frame + columns * 20 || high < (rows + 1) * frame + rows * 20)
    return [prism(name, 'y', y, outline)];
  const across = laid(x[0] + frame, equal(columns, wide - 2 * frame, frame), frame);
  const upward = laid(z[0] + frame, equal(rows, high - 2 * frame, frame), frame);
  const panes = across.flatMap((px) => upward.map((pz) => ({ px, pz })));
  const bar = f.size('bar');
  const [barsAcross, barsUp] = [f.count('bars across'), f.count('bars up')];
  const middle: Range = [y[0] + (y[1] - y[0]) * 0.3, y[1] - (y[1] - y[0]) * 0.3];
  const bars = panes.flatMap(({ px, pz }, i): Part[] => {
    const spots = (range: Range, n: number): number[] =>
      (range[1] - range[0]) / (n + 1) < bar * 1.5
        ? []
        : Array.from({ length: n }, (_, k) => range[0] + ((range[1] - range[0]) * (k + 1)) / (n + 1));
    const ups = spots(px, barsUp);
    // Level bars run between the upright ones, so that no two fill one place.
    const edges = [px[0], ...ups.flatMap((at) => [at - bar / 2, at + bar / 2]), px[1]];
    const levels = spots(pz, barsAcross);
    return [
      ...ups.map((at, k) => block(`${name}-bar-up-${i + 1}-${k + 1}`, [at - bar / 2, at + bar / 2], middle, pz)),
      ...levels.flatMap((at, k) =>
        Array.from({ length: ups.length + 1 }, (_, j) =>
          block(`${name}-bar-${i + 1}-${k + 1}-${j + 1}`, [edges[2 * j] ?? px[0], edges[2 * j + 1] ?? px[1]], middle, [
            at - bar / 2,
            at + bar / 2,
          ]),
        ),
      ),
    ];
  });
  return [
    prism(
      name,
      'y',
      y,
      outline,
      panes.map(({ px, pz }) => rectangle(px, pz)),
    ),
    ...bars,
  ];
}

function windowParts(f: Fitted): Part[] {
  const deep = f.size('frame depth');
  const y: Range = [-f.reveal - deep, -f.reveal];
  const columns = f.count('mullions') + 1;
  const parts: Part[] = [];
  if (f.choice('sashes') === 'sliding' && f.rise === 0) {
    // The upper sash slides behind the lower one; they lap by the width of a frame.
    const lap = f.size('frame width') / 2;
    const half = f.height / 2;
    const middle = (y[0] + y[1]) / 2;
    const x: Range = [0, f.width];
    const lower: Range = [0, half + lap];
    const upper: Range = [half - lap, f.height];
    parts.push(
      ...lightParts('lower-sash', x, lower, [middle, y[1]], f, rectangle(x, lower), columns, 1),
      ...lightParts('upper-sash', x, upper, [y[0], middle], f, rectangle(x, upper), columns, 1),
    );
  } else {
    const rows = f.count('transoms') + 1;
    parts.push(...lightParts('frame', [0, f.width], [0, f.height], y, f, headed(f, 0, 0), columns, rows));
    const frame = f.size('frame width');
    // The glazed head of an arched window is a light of its own: its spokes stand on the springing line.
    if (f.rise > frame * 2 && f.width > 4 * frame)
      return [...archedFrame(f, y, columns, rows), ...windowTrims(f), ...curtainParts(f)];
  }
  return [...parts, ...windowTrims(f), ...curtainParts(f)];
}

/** Frame of an arched window: rectangular lights below the springing line and one rounded light above. */
function archedFrame(f: Fitted, y: Range, columns: number, rows: number): Part[] {
  const frame = f.size('frame width');
  const { width: w, height: h } = f;
  const radius = (w * w) / (8 * f.rise) + f.rise / 2 - frame;
  const centre = h + f.rise - radius - frame;
  const low = h + frame / 2;
  const reach = Math.sqrt(Math.max(0, radius * radius - (low - centre) * (low - centre)));
  const half = Math.min(reach, w / 2 - frame);
  const crown = centre + radius - low;
  const light: [number, number, number?][] = [
    [w / 2 - half, low],
    [w / 2 + half, low, crown / half],
  ];
  const lower = lightParts('frame', [0, w], [0, h + frame / 2], y, f, headed(f, 0, 0), columns, rows);
  return lower.map((part) =>
    part.part === 'prism' && part.name === 'frame'
      ? prism('frame', 'y', y, headed(f, 0, 0), [
          ...(part.holes ?? []).map((hole) => hole.map(({ p, q }): [number, number] => [p, q])),
          light,
        ])
      : part,
  );
}

function windowTrims(f: Fitted): Part[] {
  const board = f.size('sill board');
  return [
    ...trimParts(f, board === 0),
    ...(board > 0 ? [block('sill-board', [-50, f.width + 50], [0, board], [-28, 0])] : []),
  ];
}

/** Curtains in round folds, hung from a pole over the opening: drawn back to the sides, or across it. */
function curtainParts(f: Fitted): Part[] {
  const how = f.choice('curtains');
  if (how === 'none') return [];
  const top = f.height + f.rise + 120;
  const [from, to] = [-180, f.width + 180];
  const spans: readonly Range[] =
    how === 'drawn'
      ? [
          [from + 20, f.width / 2 - 5],
          [f.width / 2 + 5, to - 20],
        ]
      : [
          [from + 20, from + 240],
          [to - 240, to - 20],
        ];
  return [
    drum('pole', [from, 110, top], 14, to - from, 'x'),
    ...spans.map((x, i) => {
      const folds = Math.max(2, Math.round((x[1] - x[0]) / 70));
      const step = (x[1] - x[0]) / folds;
      const front = Array.from({ length: folds }, (_, k): [number, number, number] => [
        x[0] + step * k,
        128,
        k % 2 === 0 ? 0.45 : -0.45,
      ]);
      // Along the front with folds out and in, back along a straight line behind.
      return prism(
        `curtain-${i + 1}`,
        'z',
        [-Math.min(60, 1e9), top - 14],
        [...front.map(([p, q, b]): [number, number, number] => [p, q, -b]), [x[1], 128], [x[1], 92], [x[0], 92]],
      );
    }),
  ];
}

function nicheParts(f: Fitted): Part[] {
  const n = f.count('shelves');
  const b = f.size('shelf thickness');
  return Array.from({ length: n }, (_, i) => {
    const z = (f.height * (i + 1)) / (n + 1);
    return block(`shelf-${i + 1}`, [0, f.width], [-f.reveal, -8], [z - b / 2, z + b / 2]);
  });
}

function closetParts(f: Fitted): Part[] {
  const n = f.count('leaves');
  const y: Range = [-f.reveal - f.size('leaf thickness'), -f.reveal];
  return [
    ...laid(3, equal(n, f.width - 6, 4), 4).flatMap((x, i) => [
      ...leafParts(`leaf-${i + 1}`, x, y, [4, f.height - 4], f.size('stile width'), f.count('panels')),
      drum(`knob-${i + 1}`, [i % 2 === 0 ? x[1] - 35 : x[0] + 35, y[1], Math.min(1000, f.height / 2)], 16, 30, 'y'),
    ]),
    ...trimParts(f, false),
  ];
}

function partsOf(opening: Opening, f: Fitted): Part[] {
  switch (opening.kind) {
    case 'door':
      return f.count('open by') === 0 && opening.throughWallId === null ? shutDoorParts(f) : doorParts(f);
    case 'window':
      return windowParts(f);
    case 'archway':
      return [...trimParts(f, false), ...curtainParts(f)];
    case 'niche':
      return nicheParts(f);
    case 'closet':
      return closetParts(f);
  }
}

/** What stands in and round an opening. It is there only when its wall is, or one of the two it joins; an open leaf always. */
export function fittingBody(cut: Cut, run: WallRun, floorZ: number): Body | null {
  const { opening } = cut;
  const parts = partsOf(opening, fitted(cut));
  if (parts.length === 0) return null;
  const corner = along2(run.start, run.run, cut.left);
  const axes: Axes = {
    origin: { x: corner.x, y: corner.y, z: floorZ + cut.sill },
    x: { x: run.run.x, y: run.run.y, z: 0 },
    y: { x: run.intoRoom.x, y: run.intoRoom.y, z: 0 },
    z: { x: 0, y: 0, z: 1 },
  };
  const builder = new BodyBuilder();
  const belongsTo = [run.wall.id, ...(opening.throughWallId === null ? [] : [opening.throughWallId])];
  new Assembly(builder, opening.id, { seen: 'both-sides', belongsTo }).add(parts, axes);
  return builder.build(opening.id, 'fitting', opening.name);
}
