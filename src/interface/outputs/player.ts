import { ORDER_WORDS } from '@/core/construction';
import { playerData } from '@/core/formats/player';
import { planStrokes } from '@/core/pipeline';
import { lengthStyleOf } from '@/core/record';
import { NO_STAND, plannedFor, refused, type Output } from './output';
import { playerPage } from './player-page';
import { runPlayer } from './run-player';

export const player: Output = {
  id: 'player',
  words: 'the plan for a tablet (HTML)',
  wants: 'a-stand',
  make: async (desktop) => {
    const { project, view, perspective, order, scene, drawn } = desktop;
    if (!perspective) return NO_STAND;
    const made = await plannedFor(desktop);
    if (made.kind === 'refused') return refused(made.message);
    const { plans, paper } = made.planned;
    const data = playerData({
      ...{ projectId: project.id, view, title: `${project.name}: ${view.name}, ${ORDER_WORDS[order]}`, drawn },
      constructed: { plan: plans[order], paper },
      plan: paper.planAt ? planStrokes(view, perspective.stand.setUp, scene, paper.planAt) : [],
      style: lengthStyleOf(project),
    });
    const content = playerPage(data, runPlayer.toString());
    return { kind: 'file', name: [project.id, view.id, order], ending: '.html', type: 'text/html', content };
  },
};
