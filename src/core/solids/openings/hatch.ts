import { block, drum, group, type Part, type Range } from '../parts';
import { leafParts } from './leaf';
import { sizeRule, TRIM_SIZES, type Fitted, type OpeningKind } from './opening-kind';
import { trimParts } from './trim';

const OPEN_BY = 'open by';

interface Shutter {
  readonly name: string;
  readonly right: boolean;
  readonly hinge: number;
  readonly width: number;
}

/** Its shutters, which lie behind the reveal and open into the room: none, one hinged at the left, or two. */
function shuttersOf(f: Fitted): readonly Shutter[] {
  const n = f.count('shutters');
  const width = n === 2 ? (f.width - 3) / 2 : f.width;
  const left = { name: 'shutter', right: false, hinge: 0, width };
  return n === 0 ? [] : n === 1 ? [left] : [left, { name: 'shutter-2', right: true, hinge: f.width, width }];
}

const turnOf = (f: Fitted, { right }: Shutter): number => (right ? 180 - f.count(OPEN_BY) : f.count(OPEN_BY));

function hatchParts(f: Fitted): Part[] {
  const [shelf, thick, leaf] = [f.size('shelf'), f.size('shelf thickness'), f.size('shutter thickness')];
  const shutters = shuttersOf(f).map((one) => {
    const y: Range = one.right ? [0, leaf] : [-leaf, 0];
    const [free, up] = [one.width - 45, f.height / 2];
    return group(one.name, [one.hinge, -f.reveal, 0], turnOf(f, one), [
      ...leafParts('leaf', [0, one.width], y, [0, f.height], { stile: 70, panels: 1, panes: null }),
      drum('knob', [free, one.right ? -28 : 0, up], 14, 28, 'y'),
    ]);
  });
  return [
    ...shutters,
    ...trimParts(f, shelf === 0),
    // The shelf stands out into the room, below the shutters.
    ...(shelf > 0 ? [block('shelf', [-30, f.width + 30], [0, shelf], [-thick, 0])] : []),
  ];
}

export const hatch: OpeningKind = {
  id: 'hatch',
  name: 'Serving hatch',
  usual: { width: 1000, sill: 1000, height: 700, reveal: 30 },
  head: 'flat',
  sizes: {
    shelf: sizeRule(200, 0, 600),
    'shelf thickness': sizeRule(28, 10, 80),
    'shutter thickness': sizeRule(22, 10, 60),
    ...TRIM_SIZES,
  },
  counts: { shutters: sizeRule(0, 0, 2), [OPEN_BY]: sizeRule(0, 0, 180) },
  choices: {},
  backed: () => false,
  open: 'through',
  parts: hatchParts,
  leaves: (f) =>
    f.count(OPEN_BY) === 0 ? [] : shuttersOf(f).map((one) => ({ hinge: one.hinge, turnDeg: turnOf(f, one) })),
  sweeps: (f) =>
    shuttersOf(f).map(({ right, hinge, width }) => {
      const open = Math.max(90, f.count(OPEN_BY));
      return { hinge, radius: width, fromDeg: right ? 180 : 0, toDeg: right ? 180 - open : open };
    }),
  walked: false,
  inPlan: { back: true, pane: false },
  sketch: 'M-6,-94H106V-88H-6ZM0,-94V-170H100V-94M50,-94V-170M8,-102V-162H42V-102ZM58,-102V-162H92V-102Z',
};
