'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { say, type ConstructionPlan } from '@/core/construction';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';

interface PlayerProps {
  readonly plan: ConstructionPlan;
  /** Steps done, the current one included; 1 and up. */
  readonly step: number;
  readonly goTo: (step: number) => void;
  /** Large corners for a tablet beside the drawing board. */
  readonly touch: boolean;
}

/** The sentence to follow, forward and back. */
export function Player({ plan, step, goTo, touch }: PlayerProps) {
  const { style } = useSession();
  const { look } = useLook();
  const now = plan.steps[step - 1];
  if (!now) return null;
  const corner = touch
    ? { width: 120, height: 120, fontSize: 22, flexShrink: 0 }
    : { height: 56, px: 2.5, fontSize: 17, flexShrink: 0 };
  return (
    <Box
      role="group"
      aria-label="Step by step"
      sx={{ display: 'flex', gap: 2, alignItems: 'center', width: '100%', minWidth: 0 }}
    >
      <Button
        aria-label="Back one step"
        disabled={step <= 1}
        onClick={() => goTo(step - 1)}
        sx={{ ...corner, border: `1px solid ${look.rule}` }}
      >
        back
      </Button>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box
          component="p"
          data-testid="step-sentence"
          aria-live="polite"
          sx={{ m: 0, fontSize: touch ? 28 : 20, lineHeight: 1.2 }}
        >
          <span className="figure" style={{ color: look.faint }}>
            {step}/{plan.steps.length}{' '}
          </span>
          {say(now.says, style)}
        </Box>
        {!touch && now.because.length > 0 ? (
          <Box
            component="p"
            sx={{
              m: 0,
              mt: 0.4,
              fontSize: 14,
              color: look.faint,
              whiteSpace: 'nowrap',
              overflow: 'hidden',
              textOverflow: 'ellipsis',
            }}
          >
            {say(now.because, style)}
          </Box>
        ) : null}
      </Box>
      <Button
        variant="contained"
        aria-label="Next step"
        disabled={step >= plan.steps.length}
        onClick={() => goTo(step + 1)}
        sx={corner}
      >
        next
      </Button>
    </Box>
  );
}
