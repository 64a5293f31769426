'use client';
import dynamic from 'next/dynamic';
import { nameOfThing, type Project } from '@/core/record';
import type { LengthStyle } from '@/core/units';
import type { Commands } from '@/state';
import { OutlineSheet } from './OutlineSheet';
import { wallOfChosen } from './places';
import { TemplateSheet } from './TemplateSheet';
import { WallsSheet } from './WallsSheet';
import type { Measuring } from './use-measure';

// The table's library is large, and most of the time nobody looks at the table.
const SizesTable = dynamic(() => import('./SizesTable').then((module) => module.SizesTable), { ssr: false });

interface MeasureSheetsProps {
  readonly project: Project;
  readonly measuring: Measuring;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly readOnly: boolean;
}

/** The sheets one lays over the paper in Measure. */
export function MeasureSheets({ project, measuring, style, commands, readOnly }: MeasureSheetsProps) {
  const close = (): void => measuring.setPaper('none');
  const piece = project.pieces.find((one) => one.id === measuring.first);
  switch (measuring.paper) {
    case 'templates':
      return (
        <TemplateSheet
          close={close}
          put={measuring.put}
          wallChosen={wallOfChosen(project, measuring.first)?.wall.name ?? null}
        />
      );
    case 'walls': {
      const id = measuring.newSpaceId();
      return (
        <WallsSheet
          style={style}
          spaceId={id}
          ceilingHeight={measuring.ceilingFor(id)}
          levelId={measuring.levelId}
          close={close}
          lay={measuring.lay}
          drawByHand={() => {
            close();
            measuring.setDrawing([]);
          }}
        />
      );
    }
    case 'sizes':
      return (
        <SizesTable
          project={project}
          style={style}
          commands={commands}
          readOnly={readOnly}
          close={close}
          choose={(id) => {
            if (nameOfThing(project, id) !== id) measuring.choose(id, false);
          }}
        />
      );
    case 'outline':
      return piece?.kind === 'block' ? (
        <OutlineSheet key={piece.id} piece={piece} style={style} commands={commands} close={close} />
      ) : null;
    case 'none':
      return null;
  }
}
