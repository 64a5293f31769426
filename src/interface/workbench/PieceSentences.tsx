'use client';
import { memo } from 'react';
import { pieceCornerAt, mmOf, pieceOf, wallOf, type Id, type MeasuredRoom, type Size } from '@/core/record';
import type { LengthStyle } from '@/core/units';
import { AngleField, LengthField } from '@/interface/fields';
import type { Commands } from '@/state';
import { Sentence } from './Sentence';

/** The chosen piece's sizes and its place, editable in place. */
export const PieceSentences = memo(function PieceSentences({
  room,
  pieceId,
  style,
  commands,
  readOnly,
}: {
  /** The measured record: the same while only the view changes, and then nothing here is written anew. */
  readonly room: MeasuredRoom;
  readonly pieceId: Id;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly readOnly: boolean;
}) {
  const piece = room.pieces.find((one) => one.id === pieceId);
  if (!piece) return null;
  const current = pieceOf(room, pieceId);
  const field = (label: string, size: Size, rules: { negative?: 'allowed'; zero?: 'allowed' } = {}) => (
    <LengthField
      label={`${label} of ${current.name}`}
      mm={mmOf(size)}
      style={style}
      rules={rules}
      disabled={readOnly}
      onChange={(mm, asTyped, nudged) =>
        commands.change(
          `Change the ${label.toLowerCase()} of ${current.name}`,
          { kind: 'correct-size', sizeId: size.id, mm, asTyped },
          nudged ? `nudge/${size.id}` : undefined,
        )
      }
    />
  );
  const [first, second] = current.place.from;
  const wallName = (id: Id): string => wallOf(room, id)?.wall.name ?? id;
  return (
    <>
      <Sentence>
        <strong>{capital(current.name)}</strong> is {field('Width', current.width)} wide,{' '}
        {field('Depth', current.depth)} deep and {field('Height', current.height)} high
        {mmOf(current.lift) > 0 ? (
          <>, its underside {field('Lift', current.lift, { zero: 'allowed' })} above the floor</>
        ) : null}
        .
      </Sentence>
      <Sentence>
        Its {pieceCornerAt(current.place.pieceCorner).words} corner stands{' '}
        {field('Distance from the first wall', first.distance, { negative: 'allowed', zero: 'allowed' })} from{' '}
        {wallName(first.wallId)} and{' '}
        {field('Distance from the second wall', second.distance, { negative: 'allowed', zero: 'allowed' })} from{' '}
        {wallName(second.wallId)}, turned{' '}
        <AngleField
          label={`Turn of ${current.name}`}
          degrees={current.place.turnDeg}
          range={[0, 360]}
          disabled={readOnly}
          onChange={(degrees, nudged) =>
            commands.change(
              `Turn ${current.name}`,
              { kind: 'turn-piece', pieceId, turnDeg: degrees },
              nudged ? `nudge/turn-${pieceId}` : undefined,
            )
          }
        />
        .
      </Sentence>
    </>
  );
});

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
