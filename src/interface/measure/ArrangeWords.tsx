'use client';
import Button from '@mui/material/Button';
import { wallOf, type Id, type Project } from '@/core/record';
import type { LengthStyle } from '@/core/units';
import { LengthField } from '@/interface/fields';
import { Choice, CountField, Sentence } from './parts';

/** How a row is made when one repeats a piece. */
export interface RowWanted {
  readonly count: number;
  readonly spacing: number;
  readonly along: 'width' | 'depth';
}

interface ArrangeWordsProps {
  readonly project: Project;
  readonly chosen: readonly Id[];
  readonly row: RowWanted;
  readonly setRow: (row: RowWanted) => void;
  readonly style: LengthStyle;
  readonly duplicate: () => void;
  readonly repeat: () => void;
  readonly align: (wallId: Id, what: 'near' | 'middle' | 'far') => void;
  readonly remove: () => void;
}

/** Copying, repeating and lining up what is chosen. */
export function ArrangeWords({
  project,
  chosen,
  row,
  setRow,
  style,
  duplicate,
  repeat,
  align,
  remove,
}: ArrangeWordsProps) {
  const piece = project.pieces.find((one) => one.id === chosen[0]);
  const button = { color: 'secondary.main', py: 0 } as const;
  return (
    <Sentence>
      {piece ? (
        <>
          <Button size="small" sx={button} onClick={duplicate}>
            duplicate
          </Button>{' '}
          or{' '}
          <Button size="small" sx={button} onClick={repeat}>
            repeat
          </Button>{' '}
          it{' '}
          <CountField
            label="Number in the row"
            count={row.count}
            least={2}
            most={60}
            onChange={(count) => setRow({ ...row, count })}
          />{' '}
          times,{' '}
          <LengthField
            label="Spacing of the row"
            mm={row.spacing}
            style={style}
            bare
            onChange={(spacing) => setRow({ ...row, spacing })}
          />{' '}
          apart along its{' '}
          <Choice
            label="Direction of the row"
            value={row.along}
            among={[
              ['width', 'width'],
              ['depth', 'depth'],
            ]}
            onChange={(along: 'width' | 'depth') => setRow({ ...row, along })}
          />
          .{' '}
        </>
      ) : null}
      {piece && chosen.length > 1
        ? piece.place.from.map(({ wallId }) => (
            <span key={wallId}>
              Align all {chosen.length} to {wallOf(project, wallId)?.wall.name}:{' '}
              {(['near', 'middle', 'far'] as const).map((what) => (
                <Button key={what} size="small" sx={button} onClick={() => align(wallId, what)}>
                  {what}
                </Button>
              ))}
            </span>
          ))
        : null}{' '}
      <Button size="small" sx={{ color: 'error.main', py: 0 }} onClick={remove}>
        take it out
      </Button>
    </Sentence>
  );
}
