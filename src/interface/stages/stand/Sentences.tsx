'use client';
import Box from '@mui/material/Box';
import type { Body } from '@/core/solids';
import type { SetUp } from '@/core/view';
import { Sentence } from '@/interface/frame';
import { useSession, useWorkedOut } from '@/interface/session';
import { ConeSentence } from './ConeSentence';
import { FirstStand } from './FirstStand';
import { PieceSentences } from './PieceSentences';
import { PlaneSentences } from './PlaneSentences';
import { StandSentences } from './StandSentences';

const NO_BODIES: readonly Body[] = [];

/** Where one stands and what one sees, in sentences with their figures editable in place. At most nine. */
export function Sentences({ setUp }: { readonly setUp: SetUp | null }) {
  const { project, view, chosen } = useSession();
  const { perspective } = useWorkedOut();
  return (
    <Box component="section" aria-label="The view in figures">
      <FirstStand />
      <StandSentences />
      {setUp ? <PlaneSentences setUp={setUp} /> : null}
      {setUp ? (
        <ConeSentence setUp={setUp} bodies={perspective.ok ? perspective.value.scene.bodies : NO_BODIES} />
      ) : null}
      {chosen ? <PieceSentences pieceId={chosen} /> : <Sentence>There is no piece in this room yet.</Sentence>}
      <span className="spoken">
        {view.name}, {project.name}
      </span>
    </Box>
  );
}
