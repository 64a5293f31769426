'use client';
import { memo } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { BoardPaper, LitSentence, useStandOf } from '@/interface/at-board';
import { bindKeys, Lacking, MarginButtons, StageFrame } from '@/interface/frame';
import { useSession, useWorkedOut } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { arrangement } from './arrangement';
import { FrozenSentence } from './FrozenSentence';
import { KEYS, SHEETS } from './declared';
import { lacksToDraw, standElsewhere } from './lacks';
import { DiagonalsSentence } from './DiagonalsSentence';
import { GridPlanSentence } from './GridPlanSentence';
import { Orders } from './Orders';
import { PaceSentence } from './PaceSentence';
import { PlanList } from './PlanList';
import { PlaneSentence } from './PlaneSentence';
import { Player } from './Player';
import { PointedSentence } from './PointedSentence';
import { StepTables } from './StepTables';
import { TicksSentence } from './TicksSentence';
import { useDrawing, type Drawn } from './use-drawing';
import { WaySentence } from './WaySentence';

export function DrawScreen() {
  const { layers, narrow } = useSession();
  const workedOut = useWorkedOut();
  const desk = useDrawing();
  const { drawn, planning, shown } = desk;
  const lack =
    lacksToDraw(workedOut) ?? standElsewhere(desk.refusal ?? 'This view cannot be drawn from where you stand.');
  return (
    <StageFrame
      margin={<DrawMargin desk={desk} />}
      marginWhenNarrow="none"
      paper={<BoardPaper at={desk} arrangement={arrangement(desk, layers)} />}
      sheets={SHEETS}
      given={shown && { ...desk, perspective: shown }}
      keys={bindKeys(KEYS, desk)}
      escape={() => {
        desk.pointAtNothing();
        desk.pointAt(null);
      }}
      foot={{
        says: drawn ? (
          <Player desk={desk} drawn={drawn} touch={narrow} />
        ) : planning === null ? (
          <Lacking lack={lack} />
        ) : (
          <Box role="status">Planning every line of the picture … {Math.round(planning * 100)} %</Box>
        ),
        ...{ sheets: 'elsewhere', rings: null, next: null, high: 'a-sentence' },
      }}
      shows={{ perspective: shown, elevation: null }}
    />
  );
}

/** What cannot be drawn at this table is said, not left out in silence. */
function Unreached({ count }: { readonly count: number }) {
  if (count === 0) return null;
  return (
    <Box component="p" sx={{ m: 0, mb: 1, fontSize: 14.5 }}>
      {count === 1 ? 'One line' : `${count} lines`} of the picture cannot be reached on this board: too far out to be
      measured. A larger board, or a farther station, brings {count === 1 ? 'it' : 'them'} in.
    </Box>
  );
}

/** Tables and list. */
const DrawMargin = memo(function DrawMargin({ desk }: { readonly desk: Drawn }) {
  const { narrow } = useSession();
  const { scene } = useWorkedOut();
  const { look } = useLook();
  const stand = useStandOf();
  const { drawn } = desk;
  const now = drawn?.laid.plan.steps[drawn.step - 1];
  if (narrow) return null;
  return (
    <>
      {/* What is pointed at stays in sight, however far down the list one is. */}
      <Box sx={{ position: 'sticky', top: -12, mt: -1.5, pt: 1.5, zIndex: 1, backgroundColor: look.margin }}>
        {stand && (desk.litCorner !== null || desk.litLine !== null) ? (
          <LitSentence setUp={stand.setUp} scene={scene} corner={desk.litCorner} edge={desk.litLine} />
        ) : drawn && stand ? (
          <PointedSentence drawn={drawn} setUp={stand.setUp} />
        ) : null}
      </Box>
      {now ? <StepTables step={now} /> : null}
      {drawn ? <Unreached count={drawn.planned.unreached.length} /> : null}
      <Orders desk={desk} />
      <Box sx={{ mb: 0.5 }}>
        <Button size="small" aria-pressed={desk.beneath} sx={{ color: 'secondary.main' }} onClick={desk.layBeneath}>
          finished picture {desk.beneath ? 'beneath' : 'aside'} (U)
        </Button>
        <Button size="small" aria-pressed={desk.errors} sx={{ color: 'secondary.main' }} onClick={desk.showErrors}>
          errors {desk.errors ? 'shown' : 'not shown'} (A)
        </Button>
      </Box>
      <MarginButtons sheets={SHEETS} />
      {drawn ? (
        <>
          <WaySentence />
          {stand ? <PlaneSentence drawn={drawn} setUp={stand.setUp} /> : null}
          {stand ? <GridPlanSentence drawn={drawn} setUp={stand.setUp} /> : null}
          {stand ? <DiagonalsSentence drawn={drawn} setUp={stand.setUp} /> : null}
          <PaceSentence />
          <FrozenSentence atBoard={desk.atBoard} />
          <TicksSentence drawn={drawn} atBoard={desk.atBoard} />
        </>
      ) : null}
      <PlanList desk={desk} />
    </>
  );
});
