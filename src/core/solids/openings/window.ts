import { block, prism, type Part, type Range } from '../parts';
import { CURTAINS, curtainParts } from './curtains';
import { headed } from './headed';
import { lightParts, rectangle } from './lights';
import { RISE_SIZE, sizeRule, TRIM_SIZES, type Fitted, type OpeningKind } from './opening-kind';
import { trimParts } from './trim';

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

export const window: OpeningKind = {
  id: 'window',
  name: 'Window',
  usual: { width: 1200, sill: 900, height: 1200, reveal: 150 },
  head: 'flat',
  sizes: {
    'frame width': sizeRule(60, 20, 200),
    'frame depth': sizeRule(60, 20, 200),
    bar: sizeRule(24, 8, 80),
    'sill board': sizeRule(0, 0, 400),
    ...RISE_SIZE,
    ...TRIM_SIZES,
  },
  counts: {
    mullions: sizeRule(1, 0, 8),
    transoms: sizeRule(0, 0, 4),
    'bars across': sizeRule(0, 0, 6),
    'bars up': sizeRule(0, 0, 6),
  },
  choices: { sashes: ['fixed', 'sliding'], ...CURTAINS },
  backed: () => false,
  open: 'through',
  parts: windowParts,
  leaves: () => [],
  sweeps: () => [],
  walked: false,
  inPlan: { back: true, pane: true },
  sketch: 'M0,-90V-200H120V-90ZM8,-98V-192H56V-98ZM64,-98V-192H112V-98Z',
};
