'use client';
import { useRef, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { mmOf, type BlockOutline, type Piece } from '@/core/record';
import { outlineCrossesItself } from '@/core/solids';
import { formatBareLength, parseLength, type LengthStyle } from '@/core/units';
import { useLook } from '@/interface/theme';
import type { Commands } from '@/state';
import { Choice } from './parts';
import { PaperSheet } from '@/interface/paper';

interface CornerTyped {
  readonly key: number;
  readonly x: string;
  readonly y: string;
  readonly bend: string;
}

interface OutlineSheetProps {
  readonly piece: Piece;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly close: () => void;
}

const VIEW_WORDS = { plan: 'in plan', front: 'from the front', side: 'from the side' } as const;
type View = keyof typeof VIEW_WORDS;

/** Overall extent across and up of a view of the piece, and how deep it can be pushed through. */
const extents = (piece: Piece, view: View): readonly [across: number, up: number, deep: number] => {
  const [w, d, h] = [mmOf(piece.width), mmOf(piece.depth), mmOf(piece.height)];
  return view === 'plan' ? [w, d, h] : view === 'front' ? [w, h, d] : [d, h, w];
};

/** Cutting a block: an outline in one of three views, drawn by pressing or typed corner by corner, pushed through the piece. */
export function OutlineSheet({ piece, style, commands, close }: OutlineSheetProps) {
  const { look } = useLook();
  const print = (mm: number): string => formatBareLength(mm, style);
  const [view, setView] = useState<View>(piece.outlines[0]?.view ?? 'front');
  const known = piece.outlines.find((one) => one.view === view);
  const keys = useRef(100);
  const typedFrom = (outline: BlockOutline | undefined, which: View): readonly CornerTyped[] => {
    const [a, u] = extents(piece, which);
    const corners = outline?.corners ?? [
      { x: 0, y: 0, bulge: 0 },
      { x: a, y: 0, bulge: 0 },
      { x: a, y: u, bulge: 0 },
      { x: 0, y: u, bulge: 0 },
    ];
    return corners.map((one, i) => ({ key: i, x: print(one.x), y: print(one.y), bend: String(one.bulge) }));
  };
  const [corners, setCorners] = useState<readonly CornerTyped[]>(() => typedFrom(known, view));
  const [across, upward, deep] = extents(piece, view);
  const rules = { units: style.units, zero: 'allowed', negative: 'allowed' } as const;
  const read = corners.map((one) => {
    const [x, y] = [parseLength(one.x, rules), parseLength(one.y, rules)];
    const bulge = Number(one.bend.replace(',', '.').replace('−', '-'));
    const fault = !x.ok
      ? x.error.message
      : !y.ok
        ? y.error.message
        : !(Math.abs(bulge) <= 1)
          ? 'A bend is the arc’s rise over half its chord, from −1 to 1; 0 is straight.'
          : null;
    return { one, fault, at: x.ok && y.ok && fault === null ? { x: x.value.mm, y: y.value.mm, bulge } : null };
  });
  const points = read.flatMap((one) => (one.at ? [one.at] : []));
  const whole = points.length === corners.length;
  const crossed = whole && (points.length < 3 || outlineCrossesItself(points));
  const cut = (): void => {
    if (!whole || crossed) return;
    const outline: BlockOutline = { id: view, view, corners: points, from: 0, to: deep };
    commands.change(`Cut ${piece.name}`, { kind: 'set-outlines', pieceId: piece.id, outlines: [outline] });
  };
  const change = (key: number, to: Partial<CornerTyped>): void =>
    setCorners(corners.map((one) => (one.key === key ? { ...one, ...to } : one)));
  const look2 = (which: View): void => {
    setView(which);
    setCorners(
      typedFrom(
        piece.outlines.find((one) => one.view === which),
        which,
      ),
    );
  };
  const svg = useRef<SVGSVGElement>(null);
  const pad = Math.max(across, upward) * 0.12;
  const box = { x: -pad, y: -upward - pad, width: across + 2 * pad, height: upward + 2 * pad };
  const step = style.units === 'imperial' ? 12.7 : 10;
  /** A press puts a corner into the side nearest to it. */
  const press = (event: React.PointerEvent): void => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const at = { x: Math.round(p.x / step) * step, y: Math.round(-p.y / step) * step };
    let best = { after: corners.length - 1, away: Infinity };
    points.forEach((a, i) => {
      const b = points[(i + 1) % points.length] ?? a;
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const share = Math.min(1, Math.max(0, ((at.x - a.x) * dx + (at.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
      const away = Math.hypot(a.x + dx * share - at.x, a.y + dy * share - at.y);
      if (away < best.away) best = { after: i, away };
    });
    keys.current += 1;
    const corner: CornerTyped = { key: keys.current, x: print(at.x), y: print(at.y), bend: '0' };
    setCorners([...corners.slice(0, best.after + 1), corner, ...corners.slice(best.after + 1)]);
  };
  const path = points
    .map((a, i) => {
      const b = points[(i + 1) % points.length] ?? a;
      const start = i === 0 ? `M${a.x},${-a.y}` : '';
      if (a.bulge === 0) return `${start}L${b.x},${-b.y}`;
      const chord = Math.hypot(b.x - a.x, b.y - a.y);
      const r = (chord * (1 + a.bulge * a.bulge)) / (4 * Math.abs(a.bulge));
      return `${start}A${r},${r} 0 0 ${a.bulge > 0 ? 0 : 1} ${b.x},${-b.y}`;
    })
    .join('');
  const input = {
    font: 'inherit',
    border: 0,
    borderBottom: `1.5px dotted ${look.ink}`,
    background: 'transparent',
    color: look.ink,
  };
  return (
    <PaperSheet label="Outlines" title={`Cutting ${piece.name}`} close={close} high="80%">
      <Box sx={{ display: 'flex', gap: 3 }}>
        <Box sx={{ flex: '1 1 420px', fontSize: 15 }}>
          <Box component="p" sx={{ m: 0, mb: 1 }}>
            Its outline{' '}
            <Choice
              label="View of the outline"
              value={view}
              among={(Object.keys(VIEW_WORDS) as View[]).map((one) => [one, VIEW_WORDS[one]])}
              onChange={look2}
            />
            , from the lower left corner, pushed through {print(deep)}. Press on the figure to put a corner in.
          </Box>
          <Box component="ol" sx={{ pl: 3, m: 0, maxHeight: 250, overflow: 'auto' }}>
            {read.map(({ one, fault }, i) => (
              <li key={one.key}>
                <input
                  className="figure"
                  aria-label={`Corner ${i + 1}, across`}
                  value={one.x}
                  onChange={(event) => change(one.key, { x: event.target.value })}
                  style={{ ...input, width: 74 }}
                />{' '}
                across,{' '}
                <input
                  className="figure"
                  aria-label={`Corner ${i + 1}, up`}
                  value={one.y}
                  onChange={(event) => change(one.key, { y: event.target.value })}
                  style={{ ...input, width: 74 }}
                />{' '}
                up, bend{' '}
                <input
                  className="figure"
                  aria-label={`Bend after corner ${i + 1}`}
                  value={one.bend}
                  onChange={(event) => change(one.key, { bend: event.target.value })}
                  style={{ ...input, width: 46 }}
                />
                {corners.length > 3 ? (
                  <Button
                    size="small"
                    aria-label={`Strike out corner ${i + 1}`}
                    onClick={() => setCorners(corners.filter((each) => each.key !== one.key))}
                  >
                    strike out
                  </Button>
                ) : null}
                {fault ? (
                  <Box role="alert" sx={{ color: look.warning, fontSize: 13.5 }}>
                    {fault}
                  </Box>
                ) : null}
              </li>
            ))}
          </Box>
          <Button
            size="small"
            onClick={() => {
              keys.current += 1;
              setCorners([...corners, { key: keys.current, x: print(0), y: print(upward / 2), bend: '0' }]);
            }}
          >
            one corner more
          </Button>
          <Box sx={{ mt: 1, display: 'flex', gap: 2, alignItems: 'baseline' }}>
            <Button variant="contained" onClick={cut} disabled={!whole || crossed}>
              Cut the block
            </Button>
            <Box role="status" sx={{ color: look.warning, fontSize: 14.5 }}>
              {crossed ? 'The outline crosses itself or encloses nothing. Move the last corner.' : ''}
            </Box>
          </Box>
        </Box>
        <svg
          ref={svg}
          role="img"
          aria-label={`Outline ${VIEW_WORDS[view]}`}
          width="420"
          height="300"
          viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
          onPointerDown={press}
          style={{ cursor: 'crosshair', flex: '0 0 auto', touchAction: 'none' }}
        >
          <rect
            x={0}
            y={-upward}
            width={across}
            height={upward}
            fill="none"
            stroke={look.rule}
            strokeDasharray="4 4"
            strokeWidth={1}
            vectorEffect="non-scaling-stroke"
          />
          <path
            d={`${path}Z`}
            fill={look.strip}
            stroke={crossed ? look.warning : look.ink}
            strokeWidth={1.8}
            vectorEffect="non-scaling-stroke"
          />
          {points.map((p, i) => (
            <circle
              key={i}
              cx={p.x}
              cy={-p.y}
              r={box.width / 110}
              fill={look.sheet}
              stroke={look.ink}
              strokeWidth={1.2}
              vectorEffect="non-scaling-stroke"
            />
          ))}
        </svg>
      </Box>
    </PaperSheet>
  );
}
