import { ORDINARY_PACE } from '@/core/construction';
import { laidStrokes } from '@/core/drawing';
import { frozenPlan, sinceFrozen } from '@/core/formats/frozen';
import { NO_STAND, plannedFor, refused, type Output } from './output';
import { playerPage } from './player-page';
import { runPlayer } from './run-player';

export const player: Output = {
  id: 'player',
  words: 'the plan for a tablet (HTML)',
  wants: 'a-stand',
  make: async (desktop) => {
    const { project, view, perspective, order, scene, frozen, now } = desktop;
    if (!perspective) return NO_STAND;
    const made = await plannedFor(desktop);
    if (made.kind === 'refused') return refused(made.message);
    const { setUp } = perspective.stand;
    const plan = made.planned.plans[order];
    const strokes = laidStrokes(view, setUp, { plan, paper: made.planned.paper });
    const since = sinceFrozen(frozen, desktop.drawn, plan, strokes, ORDINARY_PACE);
    const spare = [...since.spare];
    const given = { project, view, setUp, scene, order, spare, strokes, planned: made.planned, at: now() };
    const taken = frozenPlan(given);
    const drawn = [...since.drawn];
    // What need not be drawn any more is passed over there as it is here.
    const content = playerPage({ ...taken.page, drawn: [...drawn, ...spare] }, runPlayer.toString());
    return {
      ...{ kind: 'file', name: [project.id, view.id, order], ending: '.html', type: 'text/html', content },
      freezes: { plan: taken, drawn },
    };
  },
};
