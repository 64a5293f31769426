'use client';
import { memo, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import type { ConstructionPlan } from '@/core/construction';
import type { Finding } from '@/core/record';
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
  readonly rings: readonly (Finding | ViewWarning)[];
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
          <Box data-testid="where">
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
                  <li key={`${ring.kind}-${ring.about}-${index}`}>{ring.message}</li>
                ))}
              </Box>
            </Box>
          </Menu>
          {chosenName !== null && roomTurnDeg !== null ? (
            <Button variant="contained" onClick={() => goTo('draw')}>
              Draw {chosenName}, step by step
            </Button>
          ) : null}
        </>
      )}
    </Box>
  );
});
