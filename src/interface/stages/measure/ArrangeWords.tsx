'use client';
import Button from '@mui/material/Button';
import { wallOf } from '@/core/record';
import { LengthField } from '@/interface/fields';
import { useSession } from '@/interface/session';
import { Choice, CountField, Sentence } from './parts';
import type { Measuring } from './use-measure';

/** How a row is made when one repeats a piece. */
export interface RowWanted {
  readonly count: number;
  readonly spacing: number;
  readonly along: 'width' | 'depth';
}

/** Copying, repeating and lining up what is chosen. */
export function ArrangeWords({ measuring }: { readonly measuring: Measuring }) {
  const { project, style } = useSession();
  const { row, setRow, duplicate, repeat, align, remove } = measuring;
  const chosen = measuring.chosen.ids;
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
