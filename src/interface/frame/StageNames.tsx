'use client';
import { memo, type ReactNode } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useServices } from '@/interface/services';
import { useSession, useWorkedOut } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { useStages, type Stage } from './stage';

/** The stages in the order of the work, and apart from them those that lie beside it. */
export function StageNames() {
  const { all } = useStages();
  const named = (order: Stage['order']): ReactNode =>
    all.filter((one) => one.order === order).map((one) => <StageName key={one.id} stage={one} />);
  return (
    <Box component="nav" aria-label="Stages" sx={{ display: 'flex', gap: 0.5, ml: 1 }}>
      {named('in-the-work')}
      {all.some((one) => one.order === 'beside-the-work') ? <Box aria-hidden="true" sx={{ width: 14 }} /> : null}
      {named('beside-the-work')}
    </Box>
  );
}

/** A stage's name, plain; the current one underlined as by hand. Pointed at, it says what it lacks. */
function StageName({ stage }: { readonly stage: Stage }) {
  const { here } = useStages();
  const lack = stage.lacks({ ...useSession(), ...useWorkedOut() });
  return <NamedStage stage={stage} isHere={stage === here} lacking={lack?.says ?? null} />;
}

/** Most edits change nothing of it. */
const NamedStage = memo(function NamedStage({
  stage,
  isHere,
  lacking,
}: {
  readonly stage: Stage;
  readonly isHere: boolean;
  readonly lacking: string | null;
}) {
  const { look } = useLook();
  const { goTo } = useServices();
  return (
    <Button
      onClick={() => goTo(stage.id)}
      aria-current={isHere ? 'page' : undefined}
      title={lacking ?? `Go to ${stage.name} (${stage.key.shown})`}
      sx={{
        position: 'relative',
        fontSize: 16,
        px: 0.75,
        '&:hover': { textDecoration: 'none' },
        ...(lacking === null ? {} : { color: look.faint }),
      }}
    >
      {stage.name}
      {isHere ? (
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
});
