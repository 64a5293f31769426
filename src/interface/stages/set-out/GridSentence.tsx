'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { BOUNDS, MOST_MADE } from '@/core/record';
import { tooManyGridLines } from '@/core/solids';
import { LengthField } from '@/interface/fields';
import { inSentence, useChange, type SetOutSentencesProps } from './use-change';
import { Sentence } from '@/interface/frame';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { usualGrid } from './usual-grid';

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
    <Sentence>
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
