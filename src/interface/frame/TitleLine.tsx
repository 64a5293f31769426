'use client';
import { memo } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useStore } from 'zustand';
import { NameField } from '@/interface/fields';
import { useSaving, useServices, type SaveStatus } from '@/interface/services';
import { useSurroundings } from '@/interface/session';
import { currentView } from '@/state';
import { LOOK_ORDER, LOOKS, useLook } from '@/interface/theme';
import { help, states, views } from './common-sheets';
import { useOpenSheet } from './sheet';
import { StageNames } from './StageNames';
import { TakeAway, type TakeAwayProps } from './TakeAway';

const SAVE_STATUS_WORDS: Readonly<Record<SaveStatus, string>> = {
  saved: 'Saved',
  saving: 'Saving …',
  failed: 'Not saved',
  'reading-only': 'Open elsewhere: reading only',
  free: 'The other tab has gone: reading only',
  'no-database': 'This browser keeps nothing',
};

/** Project, view, stages, what is kept, what can be taken away. */
export const TitleLine = memo(function TitleLine(props: TakeAwayProps) {
  const { look, choose } = useLook();
  const { goHome } = useServices();
  // Where there is little room the list of what can be taken away leads to the states.
  const { narrow } = useSurroundings();
  const { toggle } = useOpenSheet();
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
        // Names give way; words one presses do not.
        '& > button': { flexShrink: 0 },
      }}
    >
      <Button onClick={goHome} sx={{ fontSize: 15 }}>
        All projects
      </Button>
      <ProjectName />
      <ViewChoice />
      <StageNames />
      <Box sx={{ flex: 1 }} />
      <Keeping />
      <UndoAndRedo />
      {narrow ? null : (
        <Button onClick={() => toggle(states)} aria-label="Kept states" title="Kept states of this project (⇧H)">
          states
        </Button>
      )}
      <TakeAway {...props} />
      <Button
        onClick={() => choose(nextLook)}
        aria-label={`Light of the room: ${look.words}`}
        title={`Change to ${LOOKS[nextLook].words}`}
      >
        {look.words}
      </Button>
      <Button onClick={() => toggle(help)} aria-label="Keys and terms" title="Keys and terms (?)">
        ?
      </Button>
    </Box>
  );
});

function ProjectName() {
  const { look } = useLook();
  const { store, commands, readOnly } = useSurroundings();
  const name = useStore(store, (state) => state.history.present.name);
  return (
    <NameField
      label="Name of the project"
      name={name}
      disabled={readOnly}
      sx={{ color: look.text, borderBottom: 0, width: 'auto', minWidth: 60, flex: '0 1 210px', mb: 0 }}
      onChange={(name) => commands.change('Rename the project', { kind: 'rename-project', name })}
    />
  );
}

/** Which view one is in; the last of the list leads to all of them. */
function ViewChoice() {
  const { look } = useLook();
  const { store, commands } = useSurroundings();
  const all = useStore(store, (state) => state.history.present.views);
  const viewId = useStore(store, (state) => currentView(state.history.present, state.desk).id);
  const { lay } = useOpenSheet();
  return (
    <Box
      component="select"
      aria-label="View"
      value={viewId}
      onChange={(event) => {
        const { value } = event.target as unknown as HTMLSelectElement;
        if (value === '') lay(views);
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
      {all.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name}
        </option>
      ))}
      <option value="">add, copy, compare views …</option>
    </Box>
  );
}

/** Whether what one does is kept. */
function Keeping() {
  const { look } = useLook();
  const { saveStatus, takeOver } = useSaving();
  const warns = saveStatus === 'failed' || saveStatus === 'no-database';
  return (
    <>
      <Box role="status" data-testid="save-status" sx={{ fontSize: 14, color: warns ? look.warning : look.faint }}>
        {SAVE_STATUS_WORDS[saveStatus]}
      </Box>
      {saveStatus === 'reading-only' || saveStatus === 'free' ? (
        <Button onClick={takeOver} sx={{ color: 'secondary.main' }}>
          work here
        </Button>
      ) : null}
    </>
  );
}

function UndoAndRedo() {
  const { store, commands, readOnly } = useSurroundings();
  const undoes = useStore(store, (state) => state.history.past.at(-1)?.label ?? null);
  const redoes = useStore(store, (state) => state.history.future[0]?.label ?? null);
  return (
    <>
      <Button
        disabled={!undoes || readOnly}
        onClick={commands.undo}
        title={undoes ? `Undo: ${undoes}` : 'Nothing to undo'}
      >
        undo
      </Button>
      <Button
        disabled={!redoes || readOnly}
        onClick={commands.redo}
        title={redoes ? `Redo: ${redoes}` : 'Nothing to redo'}
      >
        redo
      </Button>
    </>
  );
}
