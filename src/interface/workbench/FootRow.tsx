'use client';
import { useUnhurried } from './use-unhurried';
import { resolveSetUp, roomBearing, turnOfPair } from '@/core/view';
import { memo } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ConstructionPlan } from '@/core/construction';
import type { MeasurePaper } from '@/interface/measure';
import { type Commands, currentView, type WorkStore } from '@/state';
import { formatAngle, type LengthStyle } from '@/core/units';
import { Player } from '@/interface/player';
import type { SetOutPaper } from '@/interface/set-out';
import { useServices, type Stage } from '@/interface/services';
import { useLook } from '@/interface/theme';
import type { Ring } from './ring';
import { RingsMenu } from './RingsMenu';

interface FootRowProps {
  readonly store: WorkStore;
  readonly viewName: string;
  readonly stage: Stage;
  /** Turn of the room to the picture plane; null when nothing can be drawn. */
  readonly roomTurnDeg: number | null;
  readonly quick: boolean;
  readonly refusal: string | null;
  readonly plan: ConstructionPlan | null;
  readonly step: number | null;
  readonly style: LengthStyle;
  readonly rings: readonly Ring[];
  readonly change: Commands['change'];
  readonly readOnly: boolean;
  /** What there is so far in Measure, and what comes next; null in other stages. */
  readonly measuring: {
    readonly counted: string;
    readonly next: 'walls' | 'templates' | 'stand';
    readonly open: (paper: MeasurePaper) => void;
    readonly paper: MeasurePaper;
    readonly drawing: boolean;
  } | null;
  /** The sheets one can lay over the board in Set out, and whether every point is within reach; null in other stages. */
  readonly layingOut: {
    readonly paper: SetOutPaper | 'help' | 'views';
    readonly open: (paper: SetOutPaper) => void;
    readonly outOfReach: readonly string[];
  } | null;
  readonly goToStep: (step: number) => void;
  readonly narrow: boolean;
  readonly chosenName: string | null;
}

/** Where one is, what is ringed on the drawing, and the next thing to do; in Draw, the sentence to follow. */
export const FootRow = memo(function FootRow({
  store,
  viewName,
  stage,
  roomTurnDeg,
  quick,
  refusal,
  plan,
  step,
  style,
  rings,
  goToStep,
  narrow,
  chosenName,
  change,
  readOnly,
  measuring,
  layingOut,
}: FootRowProps) {
  const { look } = useLook();
  const { goTo } = useServices();
  const drawing = stage === 'draw';
  const height = drawing ? (narrow ? 144 : 92) : narrow ? 56 : 52;
  return (
    <Box
      component="footer"
      sx={{
        minHeight: height,
        flexShrink: 0,
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        px: 2,
        py: 0.75,
        borderTop: `1px solid ${look.rule}`,
        backgroundColor: look.margin,
        fontSize: 15,
      }}
    >
      {drawing ? (
        plan && step !== null ? (
          <Player plan={plan} step={step} style={style} goTo={goToStep} touch={narrow} />
        ) : (
          <Box role="alert">
            {refusal ??
              (chosenName === null
                ? 'There is no piece to draw yet. The room has only its walls.'
                : 'This view cannot be drawn from where you stand.')}{' '}
            <Button onClick={() => goTo('stand')} sx={{ color: 'secondary.main' }}>
              Stand elsewhere
            </Button>
          </Box>
        )
      ) : (
        <>
          {measuring ? (
            <Box data-testid="counted" sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
              {measuring.drawing
                ? 'Press on the plan for each corner, and on the first to close. Esc gives it up.'
                : measuring.counted}
              {readOnly
                ? null
                : (
                    [
                      ['walls', 'walls (W)'],
                      ['templates', 'template sheet (T)'],
                      ['sizes', 'all sizes (L)'],
                    ] as const
                  ).map(([which, words]) => (
                    <Button
                      key={which}
                      aria-pressed={measuring.paper === which}
                      onClick={() => measuring.open(measuring.paper === which ? 'none' : which)}
                    >
                      {words}
                    </Button>
                  ))}
            </Box>
          ) : null}
          {layingOut ? (
            <Box
              component="nav"
              aria-label="Sheets to lay over the board"
              sx={{ display: 'flex', gap: narrow ? 0 : 0.5 }}
            >
              {(
                [
                  ['table', 'table (T)'],
                  ['reach', 'reach (R)'],
                  ['report', 'stretch (A)'],
                  ['guess', 'by eye (J)'],
                  ['layers', 'layers (L)'],
                  ['tape', 'tape (X)'],
                  ['print', 'print (I)'],
                ] as const
              ).map(([which, words]) => (
                <Button
                  key={which}
                  aria-pressed={layingOut.paper === which}
                  disabled={roomTurnDeg === null}
                  onClick={() => layingOut.open(layingOut.paper === which ? 'none' : which)}
                  sx={{ whiteSpace: 'nowrap', ...(narrow ? { minWidth: 44, minHeight: 44, px: 0.75 } : {}) }}
                >
                  {words}
                </Button>
              ))}
            </Box>
          ) : null}
          <Box data-testid="where" sx={measuring || layingOut ? { display: 'none' } : {}}>
            {viewName}:{' '}
            {roomTurnDeg !== null ? <RoomTurn store={store} still={roomTurnDeg} /> : 'cannot be drawn from here'}
            {quick ? ' · working out what is hidden …' : ''}
          </Box>
          <Box sx={{ flex: 1 }} />
          <RingsMenu rings={rings} change={change} readOnly={readOnly} />
          {measuring ? (
            <Button
              variant="contained"
              onClick={() => (measuring.next === 'stand' ? goTo('stand') : measuring.open(measuring.next))}
              sx={{ whiteSpace: 'nowrap' }}
            >
              {measuring.next === 'walls'
                ? 'Lay the walls'
                : measuring.next === 'templates'
                  ? 'Put something in'
                  : 'Choose where to stand'}
            </Button>
          ) : stage === 'stand' && roomTurnDeg !== null ? (
            <Button variant="contained" onClick={() => goTo('set-out')} sx={{ whiteSpace: 'nowrap' }}>
              Set out the sheet
            </Button>
          ) : layingOut && layingOut.outOfReach.length > 0 ? (
            <Button variant="contained" onClick={() => layingOut.open('reach')} sx={{ whiteSpace: 'nowrap' }}>
              Bring {layingOut.outOfReach.slice(0, 2).join(' and ')}
              {layingOut.outOfReach.length > 2 ? ' …' : ''} within reach
            </Button>
          ) : chosenName !== null && roomTurnDeg !== null ? (
            <Button variant="contained" onClick={() => goTo('draw')} sx={{ whiteSpace: 'nowrap' }}>
              Draw {chosenName}, step by step
            </Button>
          ) : null}
        </>
      )}
    </Box>
  );
});

/** How the room lies to the picture plane; while the plan is turned by hand it follows the hand. */
function RoomTurn({ store, still }: { readonly store: WorkStore; readonly still: number }) {
  const state = useUnhurried(store);
  const setUp = state.dragged ? resolveSetUp(state.dragged, currentView(state.dragged, state.desk)) : null;
  const turnDeg = state.dragged && setUp?.ok ? turnOfPair(setUp.value, roomBearing(state.dragged)) : still;
  return turnDeg === 0
    ? 'one-point, the room square to the picture plane'
    : `two-point, the room turned ${formatAngle(turnDeg)} to the picture plane`;
}
