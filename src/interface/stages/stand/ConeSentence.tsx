'use client';
import type { Body } from '@/core/solids';
import { frameOffSight, HALF_CONE_DEG, offSightInFrame, withinCone, type SetUp } from '@/core/view';
import { Term } from '@/interface/words';
import { useSession } from '@/interface/session';
import { Sentence } from '@/interface/frame';

/** What of the drawing lies outside the usual cone of vision, worst first. */
export function ConeSentence({ setUp, bodies }: { readonly setUp: SetUp; readonly bodies: readonly Body[] }) {
  const { view } = useSession();
  const outside = bodies
    .filter((body) => body.kind === 'piece' && !withinCone(setUp, body, HALF_CONE_DEG))
    .flatMap((body) => offSightInFrame(setUp, view, body) ?? [])
    .filter((off) => off.offDeg > HALF_CONE_DEG)
    .sort((a, b) => b.offDeg - a.offDeg);
  const frame = frameOffSight(setUp, view);
  const told = outside
    .slice(0, 3)
    .map((off) =>
      off.sidewaysDeg >= off.upDownDeg
        ? `${off.name} (${Math.round(off.sidewaysDeg)}° to the ${off.side})`
        : `${off.name} (${Math.round(off.upDownDeg)}° ${off.way})`,
    );
  return (
    <Sentence>
      <span data-testid="cone-words">
        The <Term>cone of vision</Term> of 60° reaches 30° to each side
        {outside.length === 0
          ? ': every piece in the frame is inside it.'
          : `; outside it: ${told.join(', ')}${outside.length > 3 ? ` and ${outside.length - 3} more` : ''}.`}{' '}
        The frame’s farthest corner is {Math.round(frame.corner)}° off.
      </span>
    </Sentence>
  );
}
