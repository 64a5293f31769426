'use client';
import { BoardPaper, LitSentence, seenOf, useStandOf } from '@/interface/at-board';
import { bindKeys, Lacking, MarginButtons, StageFrame } from '@/interface/frame';
import { useSession } from '@/interface/session';
import { arrangement } from './arrangement';
import { KEYS, SHEETS } from './declared';
import { lacksToDraw, standElsewhere } from './lacks';
import { Player } from './Player';
import { StepList } from './StepList';
import { useDrawing, type Drawn } from './use-drawing';

export function DrawScreen() {
  const session = useSession();
  const desk = useDrawing();
  const { drawn } = desk;
  const lack =
    lacksToDraw(session) ?? standElsewhere(desk.refusal ?? 'This view cannot be drawn from where you stand.');
  return (
    <StageFrame
      margin={<DrawMargin desk={desk} />}
      marginWhenNarrow="none"
      paper={<BoardPaper at={desk} arrangement={arrangement(desk)} />}
      sheets={SHEETS}
      given={seenOf(desk)}
      keys={bindKeys(KEYS, desk)}
      escape={desk.pointAtNothing}
      foot={{
        says: drawn ? (
          <Player plan={drawn.plan} step={drawn.step} goTo={desk.goTo} touch={session.narrow} />
        ) : (
          <Lacking lack={lack} />
        ),
        ...{ sheets: 'elsewhere', rings: null, next: null, high: 'a-sentence' },
      }}
      shows={{ perspective: desk.perspective, elevation: null }}
    />
  );
}

function DrawMargin({ desk }: { readonly desk: Drawn }) {
  const { narrow, scene } = useSession();
  const stand = useStandOf();
  if (narrow) return null;
  return (
    <>
      {stand ? <LitSentence setUp={stand.setUp} scene={scene} corner={desk.litCorner} edge={desk.litLine} /> : null}
      <MarginButtons sheets={SHEETS} />
      {desk.drawn ? <StepList plan={desk.drawn.plan} step={desk.drawn.step} goTo={desk.goTo} /> : null}
    </>
  );
}
