'use client';
import Button from '@mui/material/Button';
import { mmOf, wallOf, type Piece, type PieceCorner, type Change } from '@/core/record';
import { LengthField } from '@/interface/fields';
import { PieceTurn } from '@/interface/frame';
import { useSession } from '@/interface/session';
import { Choice, Sentence } from './parts';

const CORNERS: readonly (readonly [PieceCorner, string])[] = [
  ['back-left', 'back left'],
  ['back-right', 'back right'],
  ['front-left', 'front left'],
  ['front-right', 'front right'],
];

/** Where a piece stands and how it is turned. */
export function PiecePlaceWords({ piece }: { readonly piece: Piece }) {
  const { project, style, commands, readOnly } = useSession();
  const change = (to: Change, run?: string): void => commands.change(`Change ${piece.name}`, to, run);
  return (
    <Sentence>
      Its{' '}
      <Choice
        label={`Corner that ${piece.name} is placed by`}
        value={piece.place.pieceCorner}
        among={CORNERS}
        disabled={readOnly}
        onChange={(pieceCorner) => change({ kind: 'place-by-corner', pieceId: piece.id, pieceCorner })}
      />{' '}
      corner stands{' '}
      {piece.place.from.map((offset, i) => (
        <span key={offset.wallId}>
          {i === 1 ? ' and ' : ''}
          <LengthField
            label={`Distance of ${piece.name} from ${wallOf(project, offset.wallId)?.wall.name ?? ''}`}
            mm={mmOf(offset.distance)}
            style={style}
            bare
            disabled={readOnly}
            rules={{ negative: 'allowed', zero: 'allowed' }}
            onChange={(mm, asTyped, nudged) =>
              change(
                { kind: 'correct-size', sizeId: offset.distance.id, mm, asTyped },
                nudged ? `nudge/${offset.distance.id}` : undefined,
              )
            }
          />{' '}
          from {wallOf(project, offset.wallId)?.wall.name ?? ''}
        </span>
      ))}
      , turned <PieceTurn piece={piece} label={`Turn of the piece ${piece.name}`} />
      {piece.mirrored ? ', mirrored' : ''}.
      {readOnly ? null : (
        <Button
          size="small"
          sx={{ color: 'secondary.main', py: 0 }}
          onClick={() => change({ kind: 'mirror-piece', pieceId: piece.id })}
        >
          mirror
        </Button>
      )}
    </Sentence>
  );
}
