'use client';
import { useMemo } from 'react';
import Box from '@mui/material/Box';
import { useStore } from 'zustand';
import { bindKeys, StageFrame, useOpenSheet, type Next } from '@/interface/frame';
import { NO_RINGS, ringsOf, useSession, useWorkedOut } from '@/interface/session';
import { KEYS, SHEETS } from './declared';
import { FollowingPicture } from './FollowingPicture';
import { foot } from './foot';
import { MeasureBoard } from './MeasureBoard';
import { MeasureWords } from './MeasureWords';
import { templates } from './TemplateSheet';
import { ringsNow } from './rings-now';
import { useMeasure, type Measuring } from './use-measure';
import { walls } from './WallsSheet';

export function MeasureScreen() {
  const { settled, dragging, store } = useSession();
  const { findings, perspective } = useWorkedOut();
  const desk = useMeasure();
  const { counted } = foot(settled);
  const last = useStore(store, (state) => state.history.past.at(-1)?.changes ?? NOTHING_DONE);
  const rings = useMemo(
    () => ringsOf(settled, ringsNow(findings, settled, desk.chosen.first, last), null),
    [findings, settled, desk.chosen.first, last],
  );
  const next = useFirstNeed();
  return (
    <StageFrame
      margin={<MeasureMargin desk={desk} />}
      marginWhenNarrow="two-lines"
      paper={<MeasureBoard desk={desk} rings={dragging ? NO_RINGS.open : rings.open} />}
      sheets={SHEETS}
      given={desk}
      keys={bindKeys(KEYS, desk)}
      escape={() => desk.setDrawing(null)}
      foot={{
        says: (
          <span data-testid="counted">
            {desk.drawing ? 'Press on the plan for each corner, and on the first to close. Esc gives it up.' : counted}
          </span>
        ),
        ...{ sheets: 'in-the-foot', rings, next, high: 'a-row' },
      }}
      shows={{ perspective: perspective.ok ? perspective.value : null, elevation: desk.elevation ?? 'nothing' }}
    />
  );
}

const NOTHING_DONE: readonly never[] = [];

/** Walls, then something to put in; after that the frame leads on. */
function useFirstNeed(): Next | null {
  const { settled, readOnly } = useSession();
  const { toggle } = useOpenSheet();
  const { next } = foot(settled);
  if (readOnly || next === 'stand') return null;
  return next === 'walls'
    ? { words: 'Lay the walls', act: () => toggle(walls) }
    : { words: 'Put something in', act: () => toggle(templates) };
}

/** What is chosen in sentences, and the room in perspective at the foot. */
function MeasureMargin({ desk }: { readonly desk: Measuring }) {
  const { narrow, dragging } = useSession();
  const { perspective } = useWorkedOut();
  return (
    <Box sx={narrow ? {} : { display: 'flex', flexDirection: 'column', minHeight: '100%' }}>
      <MeasureWords measuring={desk} dragging={dragging} />
      {perspective.ok && !narrow ? <FollowingPicture perspective={perspective.value} /> : null}
    </Box>
  );
}
