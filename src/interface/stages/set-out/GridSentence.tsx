'use client';
import Button from '@mui/material/Button';
import { LengthField } from '@/interface/fields';
import { inSentence, useChange, type SetOutSentencesProps } from './use-change';
import { Sentence } from '@/interface/frame';
import { useSession } from '@/interface/session';
import { usualGrid } from './usual-grid';

/** The grid: its unit, and the surfaces it lies on. */
export function GridSentence(props: SetOutSentencesProps) {
  const { view, style, readOnly } = useSession();
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
  return (
    <Sentence>
      A grid of{' '}
      <LengthField
        label="Unit of the grid"
        mm={grid.unit.mm}
        style={style}
        disabled={readOnly}
        onChange={(mm, asTyped, nudged) => {
          if (mm >= 10)
            change('Change the grid', { grid: { ...grid, unit: { mm, asTyped } } }, nudged ? 'nudge/grid' : undefined);
          else props.desk.tell(['A grid finer than 10 mm would be a grey wash: type a larger unit.']);
        }}
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
      {readOnly ? null : (
        <Button size="small" sx={inSentence} onClick={() => change('Take the grid off', { grid: null })}>
          take it off
        </Button>
      )}
    </Sentence>
  );
}
