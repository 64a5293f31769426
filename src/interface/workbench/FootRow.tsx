'use client';
import { memo, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import type { ConstructionPlan } from '@/core/construction';
import type { Contradiction } from '@/core/solids';
import type { MeasurePaper } from '@/interface/measure';
import type { Commands } from '@/state';
import { formatAngle, type LengthStyle } from '@/core/units';
import type { ViewWarning } from '@/core/view';
import { Player } from '@/interface/player';
import { useServices, type Stage } from '@/interface/services';
import { useLook } from '@/interface/theme';

interface FootRowProps {
  readonly viewName: string;
  readonly stage: Stage;
  /** Turn of the room to the picture plane; null when nothing can be drawn. */
  readonly roomTurnDeg: number | null;
  readonly quick: boolean;
  readonly refusal: string | null;
  readonly plan: ConstructionPlan | null;
  readonly step: number | null;
  readonly style: LengthStyle;
  readonly rings: readonly (Contradiction | ViewWarning)[];
  readonly change: Commands['change'];
  /** What there is so far in Measure, and what comes next; null in other stages. */
  readonly measuring: {
    readonly counted: string;
    readonly next: 'walls' | 'templates' | 'stand';
    readonly open: (paper: MeasurePaper) => void;
    readonly paper: MeasurePaper;
    readonly drawing: boolean;
    readonly readOnly: boolean;
  } | null;
  readonly goToStep: (step: number) => void;
  readonly narrow: boolean;
  readonly chosenName: string | null;
}

/** Where one is, what is ringed on the drawing, and the next thing to do; in Draw, the sentence to follow. */
export const FootRow = memo(function FootRow({
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
  measuring,
}: FootRowProps) {
  const { look } = useLook();
  const { goTo } = useServices();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
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
              {measuring.readOnly
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
          <Box data-testid="where" sx={measuring ? { display: 'none' } : {}}>
            {viewName}:{' '}
            {roomTurnDeg !== null
              ? roomTurnDeg === 0
                ? 'one-point, the room square to the picture plane'
                : `two-point, the room turned ${formatAngle(roomTurnDeg)} to the picture plane`
              : 'cannot be drawn from here'}
            {quick ? ' · working out what is hidden …' : ''}
          </Box>
          <Box sx={{ flex: 1 }} />
          {rings.length > 0 ? (
            <Button
              onClick={(event) => setAnchor(event.currentTarget)}
              aria-haspopup="menu"
              sx={{ color: 'error.main' }}
            >
              {rings.length} {rings.length === 1 ? 'pencil ring' : 'pencil rings'} on the drawing
            </Button>
          ) : (
            <Box sx={{ color: look.faint }}>nothing ringed</Box>
          )}
          <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
            <Box component="li" sx={{ listStyle: 'none', px: 2, py: 0.5 }} tabIndex={-1}>
              <Box component="ul" sx={{ maxWidth: 520, pl: 2, m: 0, fontSize: 15, '& li': { mb: 0.75 } }}>
                {rings.map((ring, index) => (
                  <li key={`${ring.kind}-${ring.about}-${index}`} data-contradiction={ring.kind}>
                    {ring.message}
                    {'remedies' in ring
                      ? ring.remedies.map((remedy) => (
                          <Button
                            key={remedy.label}
                            size="small"
                            sx={{ color: 'secondary.main', display: 'block', py: 0.25 }}
                            onClick={() => {
                              setAnchor(null);
                              change(remedy.label, remedy.edit);
                            }}
                          >
                            {remedy.label}
                          </Button>
                        ))
                      : null}
                  </li>
                ))}
              </Box>
            </Box>
          </Menu>
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
          ) : chosenName !== null && roomTurnDeg !== null ? (
            <Button variant="contained" onClick={() => goTo('draw')}>
              Draw {chosenName}, step by step
            </Button>
          ) : null}
        </>
      )}
    </Box>
  );
});
