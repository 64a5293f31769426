'use client';
import type { Piece } from '@/core/record';
import { AngleField, Choice } from '@/interface/fields';
import { keptState, useKept, useSession } from '@/interface/session';

const ABOUT = keptState<'middle' | 'corner'>('middle');

const TURNED_ABOUT = [
  { value: 'middle', words: 'its middle' },
  { value: 'corner', words: 'that corner' },
] as const;

/** How a piece is turned, and what it is turned about: its middle, or the corner it is placed by. */
export function PieceTurn({ piece, label }: { readonly piece: Piece; readonly label: string }) {
  const { commands, readOnly, kept } = useSession();
  const [about, setAbout] = useKept(kept, ABOUT);
  return (
    <>
      <AngleField
        label={label}
        degrees={piece.place.turnDeg}
        range={[0, 360]}
        disabled={readOnly}
        onChange={(turnDeg, nudged) =>
          commands.change(
            `Turn ${piece.name}`,
            { kind: about === 'middle' ? 'turn-piece-about-middle' : 'turn-piece', pieceId: piece.id, turnDeg },
            nudged ? `nudge/turn-${piece.id}` : undefined,
          )
        }
      />
      {readOnly ? null : (
        <>
          {' '}
          about{' '}
          <Choice
            label={`What ${piece.name} is turned about`}
            value={about}
            options={TURNED_ABOUT}
            onChange={setAbout}
          />
        </>
      )}
    </>
  );
}
