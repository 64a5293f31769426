'use client';
import Button from '@mui/material/Button';
import { pieceCornerAt, mmOf, wallOf, type Piece } from '@/core/record';
import { LengthField } from '@/interface/fields';
import { useSession } from '@/interface/session';
import { Sentence } from './parts';

/** Further offsets that must agree with the two that place the piece. */
export function ChecksSentence({ piece }: { readonly piece: Piece }) {
  const { project, style, commands, readOnly } = useSession();
  const placing = new Set([...piece.place.from.map((one) => one.wallId), ...piece.checks.map((one) => one.wallId)]);
  const home = project.spaces.find((space) => space.walls.some((wall) => wall.id === piece.place.from[0].wallId));
  const free = (home?.walls ?? []).filter((wall) => !placing.has(wall.id));
  if (readOnly && piece.checks.length === 0) return null;
  return (
    <Sentence>
      {piece.checks.map((check) => (
        <span key={check.id}>
          Checked: its {pieceCornerAt(check.pieceCorner).words} corner{' '}
          <LengthField
            label={`Check of ${piece.name} from ${wallOf(project, check.wallId)?.wall.name ?? ''}`}
            mm={mmOf(check.distance)}
            style={style}
            bare
            disabled={readOnly}
            rules={{ negative: 'allowed', zero: 'allowed' }}
            onChange={(mm, asTyped) =>
              commands.change('Measure a check', {
                kind: 'measure-check',
                pieceId: piece.id,
                checkId: check.id,
                mm,
                asTyped,
              })
            }
          />{' '}
          from {wallOf(project, check.wallId)?.wall.name ?? ''}.{' '}
          {readOnly ? null : (
            <Button
              size="small"
              sx={{ py: 0 }}
              onClick={() =>
                commands.change('Strike out a check', { kind: 'remove-check', pieceId: piece.id, checkId: check.id })
              }
            >
              strike out
            </Button>
          )}
        </span>
      ))}
      {readOnly || free.length === 0 ? null : (
        <>
          Check its place from{' '}
          {free.slice(0, 3).map((wall) => (
            <Button
              key={wall.id}
              size="small"
              sx={{ color: 'secondary.main', py: 0 }}
              onClick={() =>
                commands.change('Check a place', { kind: 'add-check', pieceId: piece.id, wallId: wall.id })
              }
            >
              {wall.name}
            </Button>
          ))}
        </>
      )}
    </Sentence>
  );
}
