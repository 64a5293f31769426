'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { BOUNDS, MOST_MADE, wallRuns, type GridChoice, type View } from '@/core/record';
import { gridZeroOf } from '@/core/drawing';
import { tooManyGridLines } from '@/core/solids';
import { roomMeant } from '@/core/view';
import { Choice, LengthField } from '@/interface/fields';
import { inSentence, useChange, type SetOutSentencesProps } from './use-change';
import { Sentence } from '@/interface/frame';
import { useSession, useWorkedOut } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { usualGrid } from '@/core/pipeline';

/** The grid: its unit, and the surfaces it lies on. */
export function GridSentence(props: SetOutSentencesProps) {
  const { project, view, style, readOnly } = useSession();
  const { look } = useLook();
  const change = useChange(props);
  const grid = view.grid;
  if (!grid)
    return (
      <Sentence>
        No grid is laid.
        {readOnly ? null : (
          <Button size="small" sx={inSentence} onClick={() => change('Lay a grid', { grid: usualGrid(style.units) })}>
            lay a grid of {style.units === 'imperial' ? 'feet' : 'half metres'}
          </Button>
        )}
      </Sentence>
    );
  const tooMany = tooManyGridLines(project.spaces, grid);
  return (
    <Sentence folds={{ order: 2, says: 'The grid' }}>
      A grid of{' '}
      <LengthField
        label="Unit of the grid"
        mm={grid.unit.mm}
        style={style}
        disabled={readOnly}
        within={BOUNDS.gridUnit}
        onChange={(mm, asTyped, nudged) =>
          change('Change the grid', { grid: { ...grid, unit: { mm, asTyped } } }, nudged ? 'nudge/grid' : undefined)
        }
      />{' '}
      lies on{' '}
      {(['floor', 'walls', 'ceiling'] as const).map((on) => (
        <Button
          key={on}
          size="small"
          aria-pressed={grid[on]}
          disabled={readOnly}
          sx={{
            py: 0.25,
            textDecoration: grid[on] ? 'underline' : 'line-through',
            color: grid[on] ? 'secondary.main' : undefined,
          }}
          onClick={() => change('Change the grid', { grid: { ...grid, [on]: !grid[on] } })}
        >
          {on}
        </Button>
      ))}
      {grid.walls ? <GridWalls {...{ grid, change }} /> : null}; counted from <GridZero {...{ grid, change }} />.
      {tooMany === null ? null : (
        <Box component="span" role="status" sx={{ color: look.warning }}>
          It would come to {tooMany} lines; a surface with more than {MOST_MADE.gridLines} either way is left without.
          Type a larger unit.{' '}
        </Box>
      )}
      {readOnly ? null : (
        <Button size="small" sx={inSentence} onClick={() => change('Take the grid off', { grid: null })}>
          take it off
        </Button>
      )}
    </Sentence>
  );
}

interface GridWordsProps {
  readonly grid: GridChoice;
  readonly change: (label: string, fields: Partial<Omit<View, 'id'>>) => void;
}

/** The walls that carry the grid: all, or those that are pressed. */
function GridWalls({ grid, change }: GridWordsProps) {
  const { project, view, readOnly } = useSession();
  const walls = roomMeant(project, view)?.walls ?? [];
  const carries = (id: string): boolean => grid.on === null || grid.on.includes(id);
  const toggle = (id: string): void => {
    const next = carries(id)
      ? (grid.on ?? project.spaces.flatMap((space) => space.walls.map((wall) => wall.id))).filter((one) => one !== id)
      : [...(grid.on ?? []), id];
    change('Change the grid', { grid: { ...grid, on: next } });
  };
  return (
    <>
      {' '}
      (
      {walls.map((wall) => (
        <Button
          key={wall.id}
          size="small"
          aria-pressed={carries(wall.id)}
          disabled={readOnly}
          sx={{ py: 0.25, textDecoration: carries(wall.id) ? 'underline' : 'line-through' }}
          onClick={() => toggle(wall.id)}
        >
          {wall.name}
        </Button>
      ))}
      )
    </>
  );
}

/** The corner that squares are counted from, and what is counted in numbers and what in letters. */
function GridZero({ grid, change }: GridWordsProps) {
  const { project, view, readOnly } = useSession();
  const { perspective } = useWorkedOut();
  const room = roomMeant(project, view);
  const runs = room ? wallRuns(room) : [];
  if (!room || !perspective.ok || runs.length === 0) return null;
  const { setUp } = perspective.value.stand;
  const zero = gridZeroOf(project, view, setUp, grid);
  if (!zero) return null;
  const before = (i: number): string => runs[(i + runs.length - 1) % runs.length]?.wall.name ?? '';
  return (
    <>
      the corner of{' '}
      <Choice
        label="Corner the grid is counted from"
        value={zero.startCorner}
        options={runs.map((run, i) => ({ value: run.startCorner, words: `${before(i)} and ${run.wall.name}` }))}
        disabled={readOnly}
        onChange={(from) => change('Change the grid', { grid: { ...grid, from } })}
      />
      , numbers along {zero.wall.name}, letters away from it, +&nbsp;up from the floor
    </>
  );
}
