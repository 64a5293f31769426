'use client';
import { startTransition, useEffect, useState } from 'react';
import { lengthStyleOf, levelOf, mmOf, type Id } from '@/core/record';
import { groupServing } from '@/core/view';
import { useLook } from '@/interface/theme';
import { placeWords } from '@/interface/words';
import { BoardDimensions } from './BoardDimensions';
import { BoardWords } from './BoardWords';
import type { BoardLayout } from './layout';
import { Lit } from './Lit';
import { lightCorner, type Corner } from './lit';
import type { BoardMotion, Moved } from './motion';
import { Rings } from './Rings';
import type { Perspective } from './use-perspective';

interface BoardOverlayProps {
  readonly motion: BoardMotion;
  /** How the board lies while nothing is dragged. */
  readonly still: Moved;
  readonly layout: BoardLayout;
  readonly stage: 'stand' | 'set-out' | 'draw';
  readonly chosen: Id | null;
  readonly rings: readonly { readonly about: Id | null }[];
  readonly perspective: Perspective;
  readonly corner: Corner | undefined;
  readonly named: 'here' | 'by-the-steps';
}

/** Words, dimensions, rings and what is lit: they follow a drag a few times a second, after the paper. */
export function BoardOverlay({
  motion,
  still,
  layout,
  stage,
  chosen,
  rings,
  perspective,
  corner,
  named,
}: BoardOverlayProps) {
  const { look } = useLook();
  const [moved, setMoved] = useState<Moved | null>(null);
  useEffect(() => {
    motion.hearWords((now) => {
      // Written between the frames; at the end at once, with the paper.
      if (now) startTransition(() => setMoved(now));
      else setMoved(null);
    });
    return () => motion.hearWords(null);
  }, [motion]);
  const { project, view, setUp, setOut, pose } = moved ?? still;
  const style = lengthStyleOf(project);
  const lit = corner ? lightCorner(corner, pose, setUp, layout, mmOf(levelOf(project, view.levelId).elevation)) : null;
  return (
    <>
      <BoardWords
        {...{ layout, pose, setUp, setOut, look, style, named }}
        group={(chosen === null ? undefined : groupServing(setOut, chosen)) ?? setOut.room}
        views={stage === 'set-out' ? 'bands' : 'whole'}
      />
      {stage === 'stand' ? (
        <Rings
          about={new Set(rings.map((ring) => ring.about))}
          bodies={perspective.scene.bodies}
          setUp={setUp}
          pose={pose}
          colour={look.warning}
        />
      ) : null}
      {stage === 'set-out' ? <BoardDimensions {...{ view, setOut, pose, layout, look, style }} /> : null}
      {lit ? (
        <Lit {...{ lit, layout, look, style }} name={placeWords(project, lit.corner.bodyName, lit.corner.role)} />
      ) : null}
    </>
  );
}
