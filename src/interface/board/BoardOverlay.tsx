'use client';
import { startTransition, useEffect, useState, useMemo } from 'react';
import { lengthStyleOf, levelOf, mmOf } from '@/core/record';
import { useLook } from '@/interface/theme';
import { placeWords } from '@/interface/words';
import type { Arrangement } from './arrangement';
import type { BoardLayout } from './layout';
import { Lit } from './Lit';
import { lightCorner, type Corner } from './lit';
import type { BoardMotion, Moved } from './motion';

interface BoardOverlayProps {
  readonly motion: BoardMotion;
  /** How the board lies while nothing is dragged. */
  readonly still: Moved;
  readonly layout: BoardLayout;
  readonly words: Arrangement['words'];
  readonly corner: Corner | undefined;
}

/** Words, dimensions, rings and what is lit: they follow a drag a few times a second, after the paper. */
export function BoardOverlay({ motion, still, layout, words, corner }: BoardOverlayProps) {
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
  const style = useMemo(() => lengthStyleOf(project), [project]);
  const lit = corner ? lightCorner(corner, pose, setUp, layout, mmOf(levelOf(project, view.levelId).elevation)) : null;
  return (
    <>
      {words({ project, view, setUp, setOut, pose, layout, look, style })}
      {lit ? (
        <Lit {...{ lit, layout, look, style }} name={placeWords(project, lit.corner.bodyName, lit.corner.role)} />
      ) : null}
    </>
  );
}
