'use client';
import { useMemo } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { drawsFromPlan } from '@/core/construction';
import { namesIn } from '@/core/pipeline';
import type { SetUp } from '@/core/view';
import { useSession } from '@/interface/session';
import { nearestSeen, planeWords } from './nearest-seen';
import type { DrawnStep } from './use-drawing';

/** Drawn from the plan, what is nearest touches the picture plane first, as people are taught: whether it does, and the plane put there. */
export function PlaneSentence({ drawn, setUp }: { readonly drawn: DrawnStep; readonly setUp: SetUp }) {
  const { project, view, commands, readOnly, style } = useSession();
  const { laid } = drawn;
  const nearest = useMemo(() => nearestSeen(laid, setUp, view.frame), [laid, setUp, view.frame]);
  if (!drawsFromPlan(laid.plan.school) || !nearest) return null;
  const { says, offers } = planeWords(nearest, namesIn(project)(nearest.of), setUp, style);
  const { x, y } = nearest.at;
  const through = {
    kind: 'change-view',
    viewId: view.id,
    fields: { picturePlane: { through: 'point', x, y } },
  } as const;
  return (
    <Box component="p" data-testid="plane-sentence" sx={{ m: 0, mb: 1, fontSize: 14.5, lineHeight: 1.5 }}>
      {says}{' '}
      {offers ? (
        <Button
          size="small"
          disabled={readOnly}
          onClick={() => commands.change('Put the picture plane through what is nearest', through)}
        >
          put it there
        </Button>
      ) : null}
    </Box>
  );
}
