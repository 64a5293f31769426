'use client';
import { capital } from '@/core/base';
import { useMemo } from 'react';
import { pieceCornerAt, mmOf, pieceOf, wallOf, type Id, type MeasuredRoom, type Size } from '@/core/record';
import { LengthField } from '@/interface/fields';
import { useRoom, useSession, type Session } from '@/interface/session';
import { PieceTurn, Sentence } from '@/interface/frame';

/** The chosen piece's sizes and its place, editable in place. */
export function PieceSentences({ pieceId }: { readonly pieceId: Id }) {
  const { project, style, commands, readOnly } = useSession();
  const room = useRoom(project);
  // While only the view changes nothing here is written anew.
  return useMemo(
    () => <Told room={room} pieceId={pieceId} style={style} commands={commands} readOnly={readOnly} />,
    [room, pieceId, style, commands, readOnly],
  );
}

function Told({
  room,
  pieceId,
  style,
  commands,
  readOnly,
}: Pick<Session, 'style' | 'commands' | 'readOnly'> & { readonly room: MeasuredRoom; readonly pieceId: Id }) {
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
      <Sentence folds={{ order: 4, says: `Sizes of ${current.name}` }}>
        <strong>{capital(current.name)}</strong> is {field('Width', current.width)} wide,{' '}
        {field('Depth', current.depth)} deep and {field('Height', current.height)} high
        {mmOf(current.lift) > 0 ? (
          <>, its underside {field('Lift', current.lift, { zero: 'allowed' })} above the floor</>
        ) : null}
        .
      </Sentence>
      <Sentence folds={{ order: 5, says: `Place of ${current.name}` }}>
        Its {pieceCornerAt(current.place.pieceCorner).words} corner stands{' '}
        {field('Distance from the first wall', first.distance, { negative: 'allowed', zero: 'allowed' })} from{' '}
        {wallName(first.wallId)} and{' '}
        {field('Distance from the second wall', second.distance, { negative: 'allowed', zero: 'allowed' })} from{' '}
        {wallName(second.wallId)}, turned <PieceTurn piece={current} label={`Turn of ${current.name}`} />.
      </Sentence>
    </>
  );
}
