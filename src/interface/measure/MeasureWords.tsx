'use client';
import Box from '@mui/material/Box';
import { wallOf, type Project } from '@/core/record';
import type { LengthStyle } from '@/core/units';
import type { Commands } from '@/state';
import { ArrangeWords } from './ArrangeWords';
import { PieceWords } from './PieceWords';
import { OpeningWords } from './OpeningWords';
import { SpaceWords } from './SpaceWords';
import { SurfaceWords } from './SurfaceWords';
import { WallWords } from './WallWords';
import type { Measuring } from './use-measure';

interface MeasureWordsProps {
  readonly project: Project;
  readonly measuring: Measuring;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly readOnly: boolean;
}

/** What is chosen, in sentences. */
export function MeasureWords({ project, measuring, style, commands, readOnly }: MeasureWordsProps) {
  const { first, chosen } = measuring;
  const given = { project, style, commands, readOnly };
  const piece = project.pieces.find((one) => one.id === first);
  const opening = project.openings.find((one) => one.id === first);
  const surface = project.surfaces.find((one) => one.id === first);
  const space = project.spaces.find((one) => one.id === first);
  const wall = first !== null && wallOf(project, first);
  return (
    <Box component="section" aria-label="What is chosen" key={first}>
      {piece ? <PieceWords {...given} piece={piece} showOutline={() => measuring.setPaper('outline')} /> : null}
      {opening ? <OpeningWords {...given} opening={opening} /> : null}
      {surface ? <SurfaceWords {...given} surface={surface} /> : null}
      {space ? <SpaceWords {...given} space={space} /> : null}
      {wall && first !== null ? <WallWords {...given} wallId={first} /> : null}
      {readOnly || (!piece && !opening && !surface && !(space && project.spaces.length > 1)) ? null : (
        <ArrangeWords
          project={project}
          chosen={chosen}
          row={measuring.row}
          setRow={measuring.setRow}
          style={style}
          duplicate={measuring.duplicate}
          repeat={measuring.repeat}
          align={measuring.align}
          remove={measuring.remove}
        />
      )}
    </Box>
  );
}
