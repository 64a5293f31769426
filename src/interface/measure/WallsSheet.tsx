'use client';
import { useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { length2 } from '@/core/geometry';
import { outlineFault, outlineOf, PLAIN_SPACE, typedWalls, type Size, type Space, type TypedWall } from '@/core/record';
import { formatLength, parseLength, type LengthStyle } from '@/core/units';
import { useLook } from '@/interface/theme';
import { PaperSheet } from '@/interface/paper';

interface Row {
  readonly key: number;
  readonly length: string;
  readonly turn: string;
}

interface WallsSheetProps {
  readonly style: LengthStyle;
  readonly spaceId: string;
  readonly ceilingHeight: Size;
  readonly levelId: string;
  readonly close: () => void;
  readonly lay: (space: Space, how: 'share' | 'as-typed') => void;
  readonly drawByHand: () => void;
}

const FIRST: readonly Row[] = [
  { key: 1, length: '', turn: '90' },
  { key: 2, length: '', turn: '90' },
  { key: 3, length: '', turn: '90' },
  { key: 4, length: '', turn: '90' },
];

/** Walls by their lengths and turns, as one reads them off a tape going round the room to the right. */
export function WallsSheet({ style, spaceId, ceilingHeight, levelId, close, lay, drawByHand }: WallsSheetProps) {
  const { look } = useLook();
  const [rows, setRows] = useState<readonly Row[]>(FIRST);
  const [tried, setTried] = useState(false);
  const read = rows.map((row, i) => {
    const length = parseLength(row.length, { units: style.units });
    const turn = Number(row.turn.replace(',', '.').replace(/°$/, ''));
    const turnFault = i > 0 && !(Number.isFinite(turn) && Math.abs(turn) < 180 && turn !== 0 && row.turn.trim() !== '');
    return {
      row,
      length,
      turn,
      fault: !length.ok
        ? length.error.message
        : turnFault
          ? 'A turn is an angle between −180 and 180 such as 90, not nought.'
          : null,
    };
  });
  const good = read.every((one) => one.fault === null);
  const walls = good
    ? typedWalls(
        spaceId,
        0,
        read.map((one): TypedWall => ({
          mm: one.length.ok ? one.length.value.mm : 0,
          asTyped: one.row.length.trim(),
          turnDeg: one.turn,
          source: 'measured',
        })),
      )
    : null;
  const space: Space | null = walls
    ? { ...PLAIN_SPACE, id: spaceId, name: 'Room', levelId, origin: { x: 0, y: 0 }, walls, ceilingHeight }
    : null;
  const gap = space ? length2(outlineOf(space).closingGap) : 0;
  const fault = space ? outlineFault(space) : null;
  const change = (key: number, to: Partial<Row>): void =>
    setRows(rows.map((row) => (row.key === key ? { ...row, ...to } : row)));
  const corners = space ? outlineOf(space).corners.map((corner) => corner.at) : [];
  const [x0, x1] = [Math.min(0, ...corners.map((p) => p.x)), Math.max(1, ...corners.map((p) => p.x))];
  const [y0, y1] = [Math.min(0, ...corners.map((p) => p.y)), Math.max(1, ...corners.map((p) => p.y))];
  const pad = Math.max(x1 - x0, y1 - y0) * 0.08;
  const end = space
    ? {
        x: (corners[0]?.x ?? 0) + outlineOf(space).closingGap.x,
        y: (corners[0]?.y ?? 0) + outlineOf(space).closingGap.y,
      }
    : null;
  const submit = (how: 'share' | 'as-typed'): void => {
    setTried(true);
    if (space && fault === null) lay(space, how);
  };
  const fieldStyle = {
    font: 'inherit',
    width: 120,
    border: 0,
    borderBottom: `1.5px dotted ${look.ink}`,
    background: 'transparent',
    color: look.ink,
  };
  return (
    <PaperSheet label="Walls" title="Walls, going round the room to the right" close={close} high="76%">
      <Box component="p" sx={{ m: 0, mb: 1, fontSize: 14.5, color: look.faint }}>
        Start at any corner, facing along its first wall with the room to your right. Turn 90 where the next wall turns
        right at an inner corner, −90 where it turns left.{' '}
        <Button size="small" sx={{ color: 'secondary.main' }} onClick={drawByHand}>
          draw them on the plan instead
        </Button>
      </Box>
      <Box sx={{ display: 'flex', gap: 3, alignItems: 'flex-start' }}>
        <Box
          component="form"
          onSubmit={(event) => {
            event.preventDefault();
            submit('as-typed');
          }}
          sx={{ flex: '1 1 460px' }}
        >
          {read.map(({ row, fault: wrong }, i) => (
            <Box
              key={row.key}
              sx={{ display: 'flex', gap: 1, alignItems: 'baseline', fontSize: 15, flexWrap: 'wrap', mb: 0.4 }}
            >
              <span style={{ width: 62 }}>wall {i + 1}:</span>
              {i > 0 ? (
                <>
                  turn
                  <input
                    className="figure"
                    aria-label={`Turn before wall ${i + 1}`}
                    value={row.turn}
                    onChange={(event) => change(row.key, { turn: event.target.value })}
                    style={{ ...fieldStyle, width: 52 }}
                  />
                  °, then
                </>
              ) : null}
              <input
                className="figure"
                aria-label={`Length of wall ${i + 1}`}
                value={row.length}
                autoFocus={i === 0}
                placeholder={style.units === 'metric' ? '4200' : `13'-9"`}
                aria-invalid={wrong !== null && (tried || row.length !== '')}
                onChange={(event) => change(row.key, { length: event.target.value })}
                style={fieldStyle}
              />
              {rows.length > 3 ? (
                <Button
                  size="small"
                  aria-label={`Strike out wall ${i + 1}`}
                  onClick={() => setRows(rows.filter((one) => one.key !== row.key))}
                >
                  strike out
                </Button>
              ) : null}
              {wrong !== null && (tried || row.length !== '') ? (
                <Box role="alert" sx={{ flexBasis: '100%', color: look.warning, fontSize: 13.5, pl: 8 }}>
                  {wrong}
                </Box>
              ) : null}
            </Box>
          ))}
          <Button
            size="small"
            type="button"
            onClick={() =>
              setRows([...rows, { key: Math.max(...rows.map((row) => row.key)) + 1, length: '', turn: '90' }])
            }
          >
            one wall more
          </Button>
          <Box sx={{ mt: 1, display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
            <Button type="submit" variant="contained">
              Lay the walls
            </Button>
            {space && fault === null && gap > 0.05 ? (
              <Button type="button" sx={{ color: 'secondary.main' }} onClick={() => submit('share')}>
                lay them and share the closing error
              </Button>
            ) : null}
            <Box role="status" data-testid="closing" sx={{ fontSize: 14.5, color: fault ? look.warning : look.faint }}>
              {fault === 'crosses-itself'
                ? 'These walls cross or fold back on each other. Check lengths and angles.'
                : fault === 'runs-the-wrong-way'
                  ? 'These walls run anticlockwise: go round with the room to your right, 90 at each inner corner.'
                  : fault
                    ? 'A room wants at least three walls.'
                    : space
                      ? gap > 0.05
                        ? `They miss closing by ${formatLength(Math.round(gap * 10) / 10, style)}.`
                        : 'They close.'
                      : ''}
            </Box>
          </Box>
        </Box>
        <svg
          aria-hidden="true"
          width="240"
          height="190"
          viewBox={`${x0 - pad} ${-y1 - pad} ${x1 - x0 + 2 * pad} ${y1 - y0 + 2 * pad}`}
          style={{ flex: '0 0 auto' }}
        >
          {corners.length > 2 ? (
            <>
              <polygon
                points={corners.map((p) => `${p.x},${-p.y}`).join(' ')}
                fill="none"
                stroke={look.graphite}
                strokeWidth={2}
                vectorEffect="non-scaling-stroke"
              />
              {end && gap > 0.05 ? (
                <line
                  x1={corners[0]?.x ?? 0}
                  y1={-(corners[0]?.y ?? 0)}
                  x2={end.x}
                  y2={-end.y}
                  stroke={look.warning}
                  strokeWidth={3}
                  vectorEffect="non-scaling-stroke"
                />
              ) : null}
              {corners.map((p, i) => {
                const q = corners[(i + 1) % corners.length] ?? p;
                return (
                  <text
                    key={i}
                    x={(p.x + q.x) / 2}
                    y={-(p.y + q.y) / 2}
                    fontSize={(x1 - x0 + y1 - y0) / 26}
                    fill={look.faint}
                    textAnchor="middle"
                  >
                    {i + 1}
                  </text>
                );
              })}
            </>
          ) : null}
        </svg>
      </Box>
    </PaperSheet>
  );
}
