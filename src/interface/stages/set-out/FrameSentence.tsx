'use client';
import { useState } from 'react';
import { BOUNDS, type View } from '@/core/record';
import { Choice, PaperField } from '@/interface/fields';
import { Sentence } from '@/interface/frame';
import { useSession } from '@/interface/session';
import { useChange, type SetOutSentencesProps } from './use-change';

/** How far the frame reaches from the centre of vision; or where its sides lie on the sheet. */
export function FrameSentence(props: SetOutSentencesProps) {
  const { view, style, readOnly } = useSession();
  const change = useChange(props);
  const [from, setFrom] = useState<'centre' | 'sheet'>('centre');
  const { frame, centreOfVisionOnSheet: cv, sheet } = view;
  // Of each side: how far it lies, and the frame with it elsewhere.
  const sides = FRAME_SIDES.map(({ side, words, edge }) => {
    const across = side === 'left' || side === 'right';
    const [origin, size] = across ? [cv.x, sheet.width] : [cv.y, sheet.height];
    const sign = side === 'left' || side === 'bottom' ? -1 : 1;
    const mm = from === 'centre' ? sign * frame[side] : sign < 0 ? origin + frame[side] : size - origin - frame[side];
    const put = (next: number): View['frame'] => ({
      ...frame,
      [side]: from === 'centre' ? sign * next : sign < 0 ? next - origin : size - origin - next,
    });
    return { side, mm, put, words: from === 'centre' ? words : edge };
  });
  const encloses = (next: View['frame']): boolean => next.left < next.right && next.bottom < next.top;
  return (
    <Sentence folds={{ order: 6, says: 'The frame' }}>
      The frame {from === 'centre' ? 'reaches' : 'lies'}{' '}
      {sides.map(({ side, mm, put, words }, i) => (
        <span key={side}>
          {i > 0 ? ', ' : ''}
          <PaperField
            label={`Frame ${words}`}
            within={BOUNDS.frame}
            mm={mm}
            style={style}
            bare={i < 3}
            rules={{ negative: 'allowed', zero: 'allowed' }}
            disabled={readOnly}
            onChange={(next, nudged) => {
              const to = put(next);
              if (encloses(to)) change('Change the frame', { frame: to }, nudged ? `nudge/frame-${side}` : undefined);
              else props.desk.tell(['The frame would enclose nothing: each side has to end before the other.']);
            }}
          />{' '}
          {words}
        </span>
      ))}
      , told from{' '}
      <Choice
        label="What the frame is told from"
        value={from}
        options={[
          { value: 'centre', words: 'the centre of vision' },
          { value: 'sheet', words: 'the sheet’s edges' },
        ]}
        onChange={setFrom}
      />
      .
    </Sentence>
  );
}

const FRAME_SIDES = [
  { side: 'left', words: 'to the left', edge: 'from the left edge' },
  { side: 'right', words: 'to the right', edge: 'from the right edge' },
  { side: 'top', words: 'up', edge: 'from the upper edge' },
  { side: 'bottom', words: 'down', edge: 'from the lower edge' },
] as const;
