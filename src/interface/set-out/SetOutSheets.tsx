'use client';
import type { LayersLaid } from '@/core/drawing';
import type { Id, Project, View } from '@/core/record';
import type { LengthStyle } from '@/core/units';
import { groupServing } from '@/core/view';
import type { Perspective } from '@/interface/board';
import type { Commands } from '@/state';
import { FindSheet } from './FindSheet';
import { GuessSheet } from './GuessSheet';
import { LayersSheet } from './LayersSheet';
import { PrintSheet } from './PrintSheet';
import { ReachSheet } from './ReachSheet';
import { ReportSheet } from './ReportSheet';
import { TableSheet } from './TableSheet';
import { TapeSheet, type Taped } from './TapeSheet';
import type { SetOutPaper } from './set-out-paper';

interface SetOutSheetsProps {
  readonly paper: SetOutPaper;
  readonly project: Project;
  readonly view: View;
  readonly chosen: Id | null;
  readonly perspective: Perspective;
  readonly style: LengthStyle;
  readonly laid: LayersLaid | undefined;
  readonly tape: Taped;
  readonly setTape: (tape: Taped) => void;
  readonly commands: Commands;
  readonly readOnly: boolean;
  readonly close: () => void;
}

/** The sheets one lays over the board once a view stands. */
export function SetOutSheets({
  paper,
  project,
  view,
  chosen,
  perspective,
  style,
  laid,
  tape,
  setTape,
  commands,
  readOnly,
  close,
}: SetOutSheetsProps) {
  const { stand, scene } = perspective;
  const { setUp, setOut } = stand;
  const common = { project, view, setUp, style, close };
  switch (paper) {
    case 'table':
      return <TableSheet {...common} setOut={setOut} commands={commands} readOnly={readOnly} />;
    case 'reach':
      return (
        <ReachSheet
          {...common}
          setOut={setOut}
          group={(chosen === null ? undefined : groupServing(setOut, chosen)) ?? setOut.room}
          commands={commands}
          readOnly={readOnly}
        />
      );
    case 'print':
      return <PrintSheet {...common} stand={stand} />;
    case 'report':
      return <ReportSheet {...common} bodies={scene.bodies} />;
    case 'guess':
      return <GuessSheet {...common} commands={commands} readOnly={readOnly} />;
    case 'find':
      return (
        <FindSheet
          project={project}
          view={view}
          chosen={chosen}
          style={style}
          commands={commands}
          readOnly={readOnly}
          close={close}
        />
      );
    case 'layers':
      return (
        <LayersSheet
          project={project}
          view={view}
          drawing={perspective.drawing}
          laid={laid}
          commands={commands}
          close={close}
        />
      );
    case 'tape':
      return <TapeSheet {...common} chosen={chosen} scene={scene} tape={tape} setTape={setTape} />;
    case 'none':
      return null;
  }
}
