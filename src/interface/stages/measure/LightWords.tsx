'use client';
import { Button } from '@mui/material';
import { type LightRows, type Surface } from '@/core/record';
import { useSession } from '@/interface/session';
import { figureFor } from './figures';
import { CountField, Sentence } from './parts';

/** Rows of lights: how long each is, how the rows lie, and what parts a light. */
export function LightWords({
  surface,
  lights,
  onAnew,
  onChange,
}: {
  readonly surface: Surface;
  readonly lights: LightRows | null;
  readonly onAnew: () => void;
  readonly onChange: (fields: Partial<LightRows>) => void;
}) {
  const session = useSession();
  const figure = figureFor(session, surface.name);
  if (!lights)
    return (
      <Sentence>
        One row of square lights.{' '}
        <Button size="small" sx={{ py: 0 }} disabled={session.readOnly} onClick={onAnew}>
          oblong, or in several rows
        </Button>
      </Sentence>
    );
  const count = (what: 'rows' | 'perRow' | 'innerLines', label: string, least: number, most: number) => (
    <CountField
      label={`${label} of ${surface.name}`}
      count={lights[what]}
      least={least}
      most={most}
      disabled={session.readOnly}
      onChange={(value) => onChange({ [what]: value })}
    />
  );
  return (
    <Sentence>
      Each {figure('light length', lights.length)} along its row; {count('rows', 'Rows', 1, 200)}{' '}
      {lights.rows === 1 ? 'row' : 'rows'}, the first{' '}
      {figure('first row', lights.fromWall, { negative: 'allowed', zero: 'allowed' })} from the wall’s left corner
      square to it, {lights.rows === 1 ? null : <>{figure('row distance', lights.rowDistance)} from row to row, </>}
      {count('perRow', 'Lights in each row', 0, 1000)} in each
      {lights.perRow === 0 ? ' (nought: as many as there is room for)' : ''}, parted by{' '}
      {count('innerLines', 'Lines in each light', 0, 20)} {lights.innerLines === 1 ? 'line' : 'lines'}.
    </Sentence>
  );
}
