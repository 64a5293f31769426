'use client';
import { BoardPaper, LitSentence, seenOf, useAtBoard, useStandOf, type AtBoard } from '@/interface/at-board';
import { bindKeys, MarginButtons, StageFrame } from '@/interface/frame';
import { isLarge, useKept, useSession, useWorkedOut } from '@/interface/session';
import { arrangement, type AtStand } from './arrangement';
import { KEYS, SHEETS } from './declared';
import { RoomTurn } from './RoomTurn';
import { Sentences } from './Sentences';
import { WHOLE_VIEW } from './whole';

export function StandScreen() {
  const { dragging, view, project, kept } = useSession();
  const { perspective } = useWorkedOut();
  const onBoard = useAtBoard(perspective);
  const [whole, setWhole] = useKept(kept, WHOLE_VIEW);
  const at: AtStand = { ...onBoard, whole, take: (one) => setWhole((now) => (now === one ? null : one)) };
  const seen = at.perspective;
  const quick = seen !== null && (seen.quick || (dragging && isLarge(seen.scene)));
  return (
    <StageFrame
      margin={<StandMargin at={at} />}
      marginWhenNarrow="two-lines"
      paper={<BoardPaper at={at} arrangement={arrangement(at, project.units)} />}
      sheets={SHEETS}
      given={seenOf(at)}
      keys={bindKeys(KEYS, at)}
      escape={at.pointAtNothing}
      foot={{
        says: (
          <span data-testid="where">
            {view.name}: {seen ? <RoomTurn setOut={seen.stand.setOut} /> : 'cannot be drawn from here'}
            {quick ? ' · working out what is hidden …' : ''}
          </span>
        ),
        ...{ sheets: 'elsewhere', rings: at.rings, next: null, high: 'a-row' },
      }}
      shows={{ perspective: seen, elevation: null }}
    />
  );
}

/** What is pointed at, the way to what helps, and the view in sentences; where there is no margin the sentences come before that. */
function StandMargin({ at }: { readonly at: AtBoard }) {
  const { narrow } = useSession();
  const { scene } = useWorkedOut();
  const stand = useStandOf();
  const pointed = stand ? (
    <LitSentence setUp={stand.setUp} scene={scene} corner={at.litCorner} edge={at.litLine} />
  ) : null;
  const pointing = at.litCorner !== null || at.litLine !== null;
  const sentences = <Sentences setUp={stand?.setUp ?? null} />;
  return (
    <>
      {/* In two lines there is room for what is pointed at, not for how one points. */}
      {narrow && !pointing ? null : pointed}
      {narrow ? sentences : null}
      <MarginButtons sheets={SHEETS} />
      {narrow ? null : sentences}
    </>
  );
}
