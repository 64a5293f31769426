'use client';
import { fileNameOf, OUTPUTS, type Desktop, type Output } from '@/interface/outputs';
import { memo, useState, type ReactNode } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useSnackbar } from 'notistack';
import { type Id, type Project } from '@/core/record';
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
  readonly desk: () => Omit<Desktop, 'raster'>;
  readonly commands: Commands;
  readonly readOnly: boolean;
  readonly canUndo: string | null;
  readonly canRedo: string | null;
  readonly showPrint: () => void;
  readonly showHelp: () => void;
  readonly showViews: () => void;
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
  showViews,
}: TitleLineProps) {
  const { look, choose } = useLook();
  const { goHome, goTo, saveStatus, takeOver, saveAgain, takeAway, raster } = useServices();
  const { enqueueSnackbar } = useSnackbar();
  const refuse = (message: string): void => void enqueueSnackbar(message, { variant: 'error', autoHideDuration: 8000 });
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [name, setName] = useState<string | null>(null);
  const take = async (output: Output): Promise<void> => {
    const taken = await output.make({ ...desk(), raster });
    if (taken.kind === 'refused') refuse(taken.message);
    else takeAway(fileNameOf(taken), taken.type, taken.content);
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
        onChange={(event) => {
          const { value } = event.target as unknown as HTMLSelectElement;
          if (value === '') showViews();
          else commands.chooseView(value);
        }}
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
        <option value="">add, copy, compare views …</option>
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
        {stage === 'measure' ? null : (
          <MenuItem disabled={!stands} onClick={pick(showPrint)}>
            a print at true size (PDF) …
          </MenuItem>
        )}
        {OUTPUTS.filter((one) => one.offered === 'everywhere' || stage === 'measure').map((one) => (
          <MenuItem key={one.id} disabled={one.wants === 'a-stand' && !stands} onClick={pick(() => void take(one))}>
            {one.words}
          </MenuItem>
        ))}
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
