'use client';
import { memo } from 'react';
import Box from '@mui/material/Box';
import { wallOf } from '@/core/record';
import { ArrangeWords } from './ArrangeWords';
import { PieceWords } from './PieceWords';
import { OpeningWords } from './OpeningWords';
import { SpaceWords } from './SpaceWords';
import { SurfaceWords } from './SurfaceWords';
import { WallWords } from './WallWords';
import { useSession } from '@/interface/session';
import type { Measuring } from './use-measure';

interface MeasureWordsProps {
  readonly measuring: Measuring;
  readonly dragging: boolean;
}

/** What is chosen, in sentences. */
export const MeasureWords = memo(
  function MeasureWords({ measuring }: MeasureWordsProps) {
    const { project, readOnly } = useSession();
    const { first } = measuring.chosen;
    const piece = project.pieces.find((one) => one.id === first);
    const opening = project.openings.find((one) => one.id === first);
    const surface = project.surfaces.find((one) => one.id === first);
    const space = project.spaces.find((one) => one.id === first);
    const wall = first !== null && wallOf(project, first);
    return (
      <Box component="section" aria-label="What is chosen" key={first}>
        {piece ? <PieceWords piece={piece} /> : null}
        {opening ? <OpeningWords opening={opening} /> : null}
        {surface ? <SurfaceWords surface={surface} /> : null}
        {space ? <SpaceWords space={space} /> : null}
        {wall && first !== null ? <WallWords wallId={first} desk={measuring} /> : null}
        {readOnly || (!piece && !opening && !surface && !(space && project.spaces.length > 1)) ? null : (
          <ArrangeWords measuring={measuring} />
        )}
      </Box>
    );
  },
  // The commands inside `measuring` are made anew with every look at the project; while something is dragged what is shown depends on the session,
  // which here follows at its own pace, and on what is chosen alone.
  (before, after) =>
    before.dragging && after.dragging && before.measuring.chosen.first === after.measuring.chosen.first,
);
