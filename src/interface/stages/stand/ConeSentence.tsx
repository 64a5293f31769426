'use client';
import type { Body } from '@/core/solids';
import { frameOffSight, HALF_CONE_DEG, ofOwnRoom, offSightInFrame, withinCone, type SetUp } from '@/core/view';
import { Term } from '@/interface/words';
import { useSession } from '@/interface/session';
import { Sentence } from '@/interface/frame';

/** A whole figure where it is beyond the cone as it is said; else as many tenths as make it so. */
const beyond = (deg: number): string =>
  deg < HALF_CONE_DEG + 0.5 ? (Math.ceil(deg * 10) / 10).toFixed(1) : Math.round(deg).toString();

/** What of the drawing lies outside the usual cone of vision, worst first. */
export function ConeSentence({ setUp, bodies }: { readonly setUp: SetUp; readonly bodies: readonly Body[] }) {
  const { view } = useSession();
  const outside = bodies
    .filter((body) => body.kind === 'piece' && ofOwnRoom(setUp, body) && !withinCone(setUp, body, HALF_CONE_DEG))
    .flatMap((body) => offSightInFrame(setUp, view, body) ?? [])
    .filter((off) => off.offDeg > HALF_CONE_DEG)
    .sort((a, b) => b.offDeg - a.offDeg);
  const frame = frameOffSight(setUp, view);
  const told = outside
    .slice(0, 3)
    .map(
      (off) =>
        `${off.name} (${beyond(off.offDeg)}° off, ${off.sidewaysDeg >= off.upDownDeg ? `to the ${off.side}` : off.way})`,
    );
  return (
    <Sentence
      folds={{
        order: 1,
        says: `The cone of vision: ${outside.length === 0 ? 'all within it' : `${outside.length} outside`}`,
      }}
    >
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
