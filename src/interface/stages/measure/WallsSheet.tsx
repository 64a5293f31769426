'use client';
import { useState, type KeyboardEvent } from 'react';
import { err, ok, type Result } from '@/core/base';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { length2 } from '@/core/geometry';
import {
  newSize,
  outlineFault,
  outlineOf,
  PLAIN_SPACE,
  typedWalls,
  USUAL_UNCERTAINTY_MM,
  type Size,
  type Space,
  type TypedWall,
} from '@/core/record';
import { formatLength, parseLength, type LengthStyle } from '@/core/units';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import { PaperSheet } from '@/interface/paper';
import type { Sheet } from '@/interface/frame';
import type { Measuring } from './use-measure';
import { CeilingRow, WallRow, type Row } from './WallRow';
import { WallsFigure } from './WallsFigure';

interface WallsSheetProps {
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

/** A wall's row as it reads: its length, the turn before it, and what is wrong with them. */
function readRow(row: Row, i: number, style: LengthStyle) {
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
}

/** How high the room is: as it is typed, measured; as is usual, while nothing is. */
function readCeiling(typed: string, usual: Size, style: LengthStyle): Result<Size, { readonly message: string }> {
  if (typed.trim() === '') return ok(usual);
  const read = parseLength(typed, { units: style.units });
  if (!read.ok) return err(read.error);
  const said = { mm: read.value.mm, asTyped: typed.trim(), source: 'measured' } as const;
  return ok(newSize(usual.id, { ...said, uncertaintyMm: USUAL_UNCERTAINTY_MM.measured }));
}

/** Enter goes on to the next figure that is still wanted; on a wrong one it stays, ready to be typed over; with none left it tries to lay the walls. */
function goOn(event: KeyboardEvent<HTMLFormElement>): void {
  if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement)) return;
  if (event.target.getAttribute('aria-invalid') === 'true') {
    // What is wrong with it is said beside it: those that one has not come to are not complained of.
    event.preventDefault();
    event.target.select();
    return;
  }
  const fields = [...event.currentTarget.querySelectorAll('input')];
  const next = fields.slice(fields.indexOf(event.target) + 1).find((field) => field.value.trim() === '');
  if (!next) return;
  event.preventDefault();
  next.focus();
}

/** What is to be said of the walls so far: whether they make a room, and whether they close. */
function wordsFor(
  space: Space | null,
  fault: ReturnType<typeof outlineFault>,
  gap: number,
  style: LengthStyle,
): string {
  if (!space) return '';
  if (fault === 'crosses-itself') return 'These walls cross or fold back on each other. Check lengths and angles.';
  if (fault === 'runs-the-wrong-way')
    return 'These walls run anticlockwise: go round with the room to your right, 90 at each inner corner.';
  if (fault) return 'A room wants at least three walls.';
  return gap > 0.05 ? `They miss closing by ${formatLength(Math.round(gap * 10) / 10, style)}.` : 'They close.';
}

/** Walls by their lengths and turns, as one reads them off a tape going round the room to the right. */
function WallsSheet({ spaceId, ceilingHeight, levelId, close, lay, drawByHand }: WallsSheetProps) {
  const { style } = useSession();
  const { look } = useLook();
  const [rows, setRows] = useState<readonly Row[]>(FIRST);
  const [tried, setTried] = useState(false);
  const [high, setHigh] = useState('');
  const read = rows.map((row, i) => readRow(row, i, style));
  const ceiling = readCeiling(high, ceilingHeight, style);
  const good = read.every((one) => one.fault === null) && ceiling.ok;
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
  const rest = { id: spaceId, name: 'Room', levelId, origin: { x: 0, y: 0 } };
  const space: Space | null =
    walls && ceiling.ok ? { ...PLAIN_SPACE, ...rest, walls, ceilingHeight: ceiling.value } : null;
  const gap = space ? length2(outlineOf(space).closingGap) : 0;
  const fault = space ? outlineFault(space) : null;
  const change = (key: number, to: Partial<Row>): void =>
    setRows(rows.map((row) => (row.key === key ? { ...row, ...to } : row)));
  const submit = (how: 'share' | 'as-typed'): void => {
    setTried(true);
    if (space && fault === null) lay(space, how);
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
          onKeyDown={goOn}
          sx={{ flex: '1 1 460px' }}
        >
          {read.map(({ row, fault: wrong }, i) => (
            <WallRow
              key={row.key}
              index={i}
              row={row}
              fault={wrong !== null && (tried || row.length !== '') ? wrong : null}
              change={(to) => change(row.key, to)}
              strike={rows.length > 3 ? () => setRows(rows.filter((one) => one.key !== row.key)) : null}
            />
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
          <CeilingRow
            {...{ high, setHigh, style }}
            usual={ceilingHeight}
            fault={ceiling.ok ? null : ceiling.error.message}
          />
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
              {wordsFor(space, fault, gap, style)}
            </Box>
          </Box>
        </Box>
        <WallsFigure space={space} />
      </Box>
    </PaperSheet>
  );
}

function Walls({ given, close }: { readonly given: Measuring; readonly close: () => void }) {
  const id = given.newSpaceId();
  return (
    <WallsSheet
      spaceId={id}
      ceilingHeight={given.ceilingFor(id)}
      levelId={given.chosen.levelId}
      close={close}
      lay={given.lay}
      drawByHand={() => {
        close();
        given.setDrawing([]);
      }}
    />
  );
}

export const walls: Sheet<Measuring> = {
  button: 'walls',
  key: { keys: 'w', shown: 'W', does: 'type the walls of a room' },
  changes: true,
  Dialog: Walls,
};
