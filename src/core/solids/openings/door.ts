import type { Opening } from '@/core/record';
import { equal, laid } from '../kinds/helpers';
import { block, drum, group, type Part } from '../parts';
import { leafParts } from './leaf';
import { sizeRule, TRIM_SIZES, type Fitted, type OpeningKind } from './opening-kind';
import { trimParts } from './trim';

const OPEN_BY = 'open by';
const isRight = (f: Fitted): boolean => f.choice('hinge') === 'right';
/** Turn of the leaf from the opening's x toward y: into the room, or away from it. */
function turnOf(f: Fitted): number {
  const open = f.choice('swing') === 'into the room' ? f.count(OPEN_BY) : -f.count(OPEN_BY);
  return isRight(f) ? 180 - open : open;
}
/** A leaf that is shut and leads nowhere else is drawn as the opening's back; an open one, or one between two rooms, is a thing of its own. */
const isFlat = ({ throughWallId, counts }: Opening): boolean => throughWallId === null && (counts[OPEN_BY] ?? 0) === 0;

/** The leaf about its hinge. Shut it lies behind the reveal; into the room it turns from x toward y. */
function doorParts(f: Fitted): Part[] {
  const thick = f.size('leaf thickness');
  const right = isRight(f);
  const turn = turnOf(f);
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
  return [group('door', [right ? f.width : 0, -f.reveal, 0], turn, [...leaf, ...knobs]), ...trimParts(f, false)];
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
  const right = isRight(f);
  const knob =
    f.height > 1120 && f.width > 300 ? [drum('knob', [right ? 65 : f.width - 65, y, 1020], 26, 45, 'y')] : [];
  return [...panels, ...knob, ...trimParts(f, false)];
}

export const door: OpeningKind = {
  id: 'door',
  name: 'Door',
  usual: { width: 860, sill: 0, height: 2010, reveal: 60 },
  head: 'flat',
  sizes: { 'leaf thickness': sizeRule(40, 15, 100), 'stile width': sizeRule(110, 50, 220), ...TRIM_SIZES },
  counts: { [OPEN_BY]: sizeRule(0, 0, 180), panels: sizeRule(2, 0, 4) },
  choices: { hinge: ['left', 'right'], swing: ['into the room', 'away'] },
  backed: isFlat,
  open: 'through',
  parts: (f) => (isFlat({ ...f.opening, counts: { [OPEN_BY]: f.count(OPEN_BY) } }) ? shutDoorParts(f) : doorParts(f)),
  leaves: (f) => (f.count(OPEN_BY) === 0 ? [] : [{ hinge: isRight(f) ? f.width : 0, turnDeg: turnOf(f) }]),
  sweeps: (f) => {
    const way = f.choice('swing') === 'into the room' ? 1 : -1;
    const shut = isRight(f) ? 180 : 0;
    const open = (isRight(f) ? -way : way) * Math.max(90, f.count(OPEN_BY));
    return [{ hinge: isRight(f) ? f.width : 0, radius: f.width, fromDeg: shut, toDeg: shut + open }];
  },
  walked: true,
  inPlan: { back: true, pane: false },
  sketch: 'M0,0V-200H86V0M0,0H86M8,-8V-80H78V-8ZM8,-95V-190H78V-95ZM72,-86h4',
};
