'use client';
import { useMemo } from 'react';
import { gridLayer } from '@/core/drawing';
import { outOfReach } from '@/core/view';
import { BoardPaper, LitSentence, seenOf, useStandOf } from '@/interface/at-board';
import { bindKeys, StageFrame, useOpenSheet, type Next } from '@/interface/frame';
import { useSession, useWorkedOut } from '@/interface/session';
import { arrangement } from './arrangement';
import { KEYS, SHEETS } from './declared';
import { reach } from './ReachSheet';
import { SetOutSentences } from './SetOutSentences';
import { useSettingOut, type SettingOut } from './use-setting-out';

export function SetOutScreen() {
  const { project, view, dragging } = useSession();
  const desk = useSettingOut();
  const { perspective: seen } = desk;
  // Worked out again when a drag is over: it needs the visible lines of the whole room.
  const grid = useMemo(
    () => (seen && view.grid && !dragging ? gridLayer(project, view, seen.stand.setUp, seen.scene.bodies) : null),
    [dragging, project, view, seen],
  );
  const next = useFirstOutOfReach(desk);
  return (
    <StageFrame
      margin={<SetOutMargin desk={desk} />}
      marginWhenNarrow="two-lines"
      paper={<BoardPaper at={desk} arrangement={arrangement(desk, grid)} />}
      sheets={SHEETS}
      given={seenOf(desk)}
      keys={bindKeys(KEYS, desk)}
      escape={desk.pointAtNothing}
      foot={{ says: null, sheets: 'in-the-foot', rings: desk.rings, next, high: 'a-row' }}
      shows={{ perspective: seen, elevation: null }}
    />
  );
}

/** Points out of reach come before the next stage. */
function useFirstOutOfReach({ perspective }: SettingOut): Next | null {
  const { view, dragging } = useSession();
  const { lay } = useOpenSheet();
  if (!perspective || dragging) return null;
  const far = outOfReach(view, perspective.stand.setOut).map(({ mark }) => mark.label);
  if (far.length === 0) return null;
  const named = far.slice(0, 2).join(' and ');
  return { words: `Bring ${named}${far.length > 2 ? ' …' : ''} within reach`, act: () => lay(reach) };
}

function SetOutMargin({ desk }: { readonly desk: SettingOut }) {
  const { scene } = useWorkedOut();
  const stand = useStandOf();
  if (!stand) return null;
  const pointing = desk.litCorner !== null || desk.litLine !== null;
  return (
    <>
      {pointing ? <LitSentence setUp={stand.setUp} scene={scene} corner={desk.litCorner} edge={desk.litLine} /> : null}
      <SetOutSentences {...stand} desk={desk} />
    </>
  );
}
