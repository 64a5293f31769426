'use client';
import { constructionOf, elevationDrawing, elevationOf, sceneOf } from '@/core/pipeline';
import { memo, useState, type ReactNode } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useSnackbar } from 'notistack';
import { writeProject } from '@/core/formats/project';
import { writeSvg } from '@/core/formats/svg';
import { writeSetOut, writeSteps } from '@/core/formats/tables';
import { lengthStyleOf, type Id, type Project, type View } from '@/core/record';
import type { Perspective } from '@/interface/board';
import { elevationFor } from '@/interface/measure';
import { useServices, type SaveStatus, type Stage } from '@/interface/services';
import { LOOK_ORDER, LOOKS, useLook } from '@/interface/theme';
import type { Commands } from '@/state';

const SAVE_STATUS_WORDS: Readonly<Record<SaveStatus, string>> = {
  saved: 'Saved',
  saving: 'Saving …',
  failed: 'Not saved',
  'reading-only': 'Open elsewhere: reading only',
  'no-database': 'This browser keeps nothing',
};

interface TitleLineProps {
  readonly projectName: string;
  readonly views: Project['views'];
  readonly viewId: Id;
  readonly stage: Stage;
  /** Whether anything can be drawn; what is taken away is asked for only when it is. */
  readonly stands: boolean;
  readonly desk: () => {
    readonly project: Project;
    readonly view: View;
    readonly chosen: Id | null;
    /** What is chosen in Measure, and from which side a piece is looked at there. */
    readonly measured: Id | null;
    readonly side: 'front' | 'side';
    readonly perspective: Perspective | null;
  };
  readonly commands: Commands;
  readonly readOnly: boolean;
  readonly canUndo: string | null;
  readonly canRedo: string | null;
  readonly showPrint: () => void;
  readonly showHelp: () => void;
}

/** A stage's name, plain; the current one underlined as by hand. */
function StageName({
  here,
  go,
  children,
}: {
  readonly here: boolean;
  readonly go: () => void;
  readonly children: ReactNode;
}) {
  const { look } = useLook();
  return (
    <Button
      onClick={go}
      aria-current={here ? 'page' : undefined}
      sx={{ position: 'relative', fontSize: 16, px: 0.75, '&:hover': { textDecoration: 'none' } }}
    >
      {children}
      {here ? (
        <svg
          aria-hidden="true"
          viewBox="0 0 60 6"
          preserveAspectRatio="none"
          style={{ position: 'absolute', left: 2, right: 2, bottom: 0, width: 'calc(100% - 4px)', height: 6 }}
        >
          <path
            d="M1,3.5 C14,1.6 30,4.6 44,2.6 S57,3 59,2"
            fill="none"
            stroke={look.accent}
            strokeWidth="1.8"
            strokeLinecap="round"
          />
        </svg>
      ) : null}
    </Button>
  );
}

/** Remembered by what it shows: a drag on the paper does not draw it anew. */
export const TitleLine = memo(function TitleLine({
  projectName,
  views,
  viewId,
  stage,
  stands,
  desk,
  commands,
  readOnly,
  canUndo,
  canRedo,
  showPrint,
  showHelp,
}: TitleLineProps) {
  const { look, choose } = useLook();
  const { goHome, goTo, saveStatus, takeOver, saveAgain, takeAway, raster } = useServices();
  const { enqueueSnackbar } = useSnackbar();
  const refuse = (message: string): void => void enqueueSnackbar(message, { variant: 'error', autoHideDuration: 8000 });
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [name, setName] = useState<string | null>(null);
  const fileName = (...parts: string[]): string => parts.join('').replace(/[^a-z0-9.-]+/gi, '-');
  const takeSheet = (): void => {
    const { project, view, perspective } = desk();
    if (perspective)
      takeAway(fileName(project.id, '-', view.id, '.svg'), 'image/svg+xml', writeSvg(perspective.drawing));
  };
  const takeDxf = async (): Promise<void> => {
    const { project, view, perspective } = desk();
    // Loaded only when it is wanted.
    const { writeDxf } = await import('@/core/formats/dxf');
    if (perspective)
      takeAway(fileName(project.id, '-', view.id, '.dxf'), 'application/dxf', writeDxf(perspective.drawing));
  };
  const takePicture = async (dpi: number): Promise<void> => {
    const { project, view, perspective } = desk();
    if (!perspective || !raster) return;
    const reply = await raster(perspective.drawing, dpi);
    if (reply.kind === 'failed') return refuse(`The picture could not be made: ${reply.detail}`);
    takeAway(fileName(project.id, '-', view.id, `-${dpi}.png`), 'image/png', reply.bytes);
  };
  const takeSteps = (): void => {
    const { project, view, chosen, perspective } = desk();
    if (!perspective || chosen === null) return refuse('There is no piece to construct.');
    const construction = constructionOf(project, view, chosen, perspective.scene, perspective.stand, perspective.lines);
    if (!construction.ok) return refuse(construction.error.message);
    takeAway(
      fileName(project.id, '-', view.id, '-', chosen, '.csv'),
      'text/csv',
      writeSteps(construction.value.plan, lengthStyleOf(project)),
    );
  };
  const takeSetOut = (): void => {
    const { project, view, perspective } = desk();
    if (perspective)
      takeAway(
        fileName(project.id, '-', view.id, '.set-out.json'),
        'application/json',
        writeSetOut(project, view, perspective.stand.setUp, perspective.stand.setOut),
      );
  };
  const takeElevation = (): void => {
    const { project, view, measured, perspective, side } = desk();
    const scene = perspective?.scene ?? sceneOf(project);
    const what = elevationFor(project, measured, side);
    const elevation = what && elevationOf(project, scene, what);
    if (!elevation) return refuse('Choose a wall, an opening or a piece: the plan itself has no elevation.');
    takeAway(
      fileName(project.id, '-', elevation.name, '.svg'),
      'image/svg+xml',
      writeSvg(elevationDrawing(project, elevation, view.scaleDenominator)),
    );
  };
  const takeProject = (): void => {
    const { project } = desk();
    takeAway(fileName(project.id, '.json'), 'application/json', writeProject(project));
  };
  const pick = (act: () => void) => () => {
    setAnchor(null);
    act();
  };
  const rename = (): void => {
    const next = name?.trim() ?? '';
    if (next !== '' && next !== projectName)
      commands.change('Rename the project', { kind: 'rename-project', name: next });
    setName(null);
  };
  const nextLook = LOOK_ORDER[(LOOK_ORDER.indexOf(look.name) + 1) % LOOK_ORDER.length] ?? 'day';
  return (
    <Box
      component="header"
      sx={{
        height: 40,
        flexShrink: 0,
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 1.5,
        borderBottom: `1px solid ${look.rule}`,
        backgroundColor: look.margin,
        whiteSpace: 'nowrap',
        overflow: 'hidden',
      }}
    >
      <Button onClick={goHome} sx={{ fontSize: 15 }}>
        All projects
      </Button>
      <Box
        component="input"
        aria-label="Name of the project"
        value={name ?? projectName}
        disabled={readOnly}
        onChange={(event) => setName((event.target as HTMLInputElement).value)}
        onBlur={rename}
        onKeyDown={(event) => {
          if (event.key === 'Enter') (event.target as HTMLInputElement).blur();
          if (event.key === 'Escape') setName(null);
        }}
        sx={{
          font: 'inherit',
          fontSize: 17,
          fontWeight: 500,
          color: look.text,
          border: 0,
          background: 'transparent',
          minWidth: 60,
          flex: '0 1 210px',
          textOverflow: 'ellipsis',
        }}
      />
      <Box
        component="select"
        aria-label="View"
        value={viewId}
        onChange={(event) => commands.chooseView((event.target as unknown as HTMLSelectElement).value)}
        sx={{
          font: 'inherit',
          fontSize: 15,
          color: look.text,
          border: 0,
          background: 'transparent',
          minWidth: 60,
          flex: '0 1 230px',
          '& option': { background: look.sheet, color: look.text },
        }}
      >
        {views.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </Box>
      <Box component="nav" aria-label="Stages" sx={{ display: 'flex', gap: 0.5, ml: 1 }}>
        <StageName here={stage === 'measure'} go={() => goTo('measure')}>
          Measure
        </StageName>
        <StageName here={stage === 'stand'} go={() => goTo('stand')}>
          Stand
        </StageName>
        <StageName here={stage === 'set-out'} go={() => goTo('set-out')}>
          Set out
        </StageName>
        <StageName here={stage === 'draw'} go={() => goTo('draw')}>
          Draw
        </StageName>
      </Box>
      <Box sx={{ flex: 1 }} />
      <Box
        role="status"
        data-testid="save-status"
        sx={{
          fontSize: 14,
          color: saveStatus === 'failed' || saveStatus === 'no-database' ? look.warning : look.faint,
        }}
      >
        {SAVE_STATUS_WORDS[saveStatus]}
      </Box>
      {saveStatus === 'reading-only' ? (
        <Button onClick={takeOver} sx={{ color: 'secondary.main' }}>
          work here
        </Button>
      ) : null}
      {saveStatus === 'failed' ? (
        <Button onClick={saveAgain} sx={{ color: 'error.main' }}>
          try again
        </Button>
      ) : null}
      <Button
        disabled={!canUndo || readOnly}
        onClick={commands.undo}
        title={canUndo ? `Undo: ${canUndo}` : 'Nothing to undo'}
      >
        undo
      </Button>
      <Button
        disabled={!canRedo || readOnly}
        onClick={commands.redo}
        title={canRedo ? `Redo: ${canRedo}` : 'Nothing to redo'}
      >
        redo
      </Button>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        take away
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {stage === 'measure' ? (
          <MenuItem onClick={pick(takeElevation)}>the elevation of what is chosen (SVG)</MenuItem>
        ) : null}
        {stage === 'measure' ? null : (
          <MenuItem disabled={!stands} onClick={pick(showPrint)}>
            a print at true size (PDF) …
          </MenuItem>
        )}
        <MenuItem disabled={!stands} onClick={pick(takeSheet)}>
          the sheet at true size (SVG)
        </MenuItem>
        <MenuItem disabled={!stands} onClick={pick(() => void takeDxf())}>
          the sheet in millimetres (DXF)
        </MenuItem>
        {[150, 300, 600].map((dpi) => (
          <MenuItem key={dpi} disabled={!stands} onClick={pick(() => void takePicture(dpi))}>
            the sheet, {dpi} dots to the inch (PNG)
          </MenuItem>
        ))}
        <MenuItem disabled={!stands} onClick={pick(takeSteps)}>
          the steps (CSV)
        </MenuItem>
        <MenuItem disabled={!stands} onClick={pick(takeSetOut)}>
          the set-out (JSON)
        </MenuItem>
        <MenuItem onClick={pick(takeProject)}>the project file (JSON)</MenuItem>
      </Menu>
      <Button
        onClick={() => choose(nextLook)}
        aria-label={`Light of the room: ${look.words}`}
        title={`Change to ${LOOKS[nextLook].words}`}
      >
        {look.words}
      </Button>
      <Button onClick={showHelp} aria-label="Keys and terms" title="Keys and terms (?)">
        ?
      </Button>
    </Box>
  );
});
