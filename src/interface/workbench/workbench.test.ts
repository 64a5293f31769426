import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { viewOf } from '@/core/record';
import { STAGES } from '@/interface/services';
import { newWork, createWork } from '@/state';
import { smallRoom } from '@/testing';
import { chosenPiece } from './chosen-piece';
import { foot } from './foot';
import { ringOfWarning } from './ring';
import { SHORTCUTS } from './use-shortcuts';

describe('keys', () => {
  it('in every stage a key does one thing, and each thing is told what it does', () => {
    for (const stage of STAGES) {
      const here = SHORTCUTS.filter((one) => one.stages === undefined || one.stages.includes(stage));
      const keys = here.flatMap((one) => one.keys.split(', '));
      expect(new Set(keys).size, stage).toBe(keys.length);
      for (const one of here) expect(one.does.length).toBeGreaterThan(3);
    }
  });
  it('every stage is reached by a letter from every other', () => {
    for (const action of ['measure', 'stand', 'setOutStage', 'draw'])
      expect(SHORTCUTS.filter((one) => one.action === action && one.stages === undefined)).toHaveLength(1);
  });
});

describe('rings', () => {
  it('a warning’s remedy changes its view and nothing else', () => {
    const project = at(DEMOS, 0);
    const view = at(project.views, 1);
    const ring = ringOfWarning(view.id, {
      kind: 'eye-level',
      about: 'stair',
      message: 'One sees neither top nor underside.',
      remedies: [{ label: 'Raise the eye', change: { eyeHeight: { mm: 1700, asTyped: '1700' } } }],
    });
    const store = createWork(newWork(project), () => 0);
    store.commands.change(at(ring.remedies, 0).label, at(ring.remedies, 0).change);
    const after = store.getState().history.present;
    expect(viewOf(after, view.id).eyeHeight.mm).toBe(1700);
    expect({ ...after, views: [] }).toEqual({ ...project, views: [] });
    expect(after.views[0]).toBe(project.views[0]);
    expect(store.getState().history.past.at(-1)?.label).toBe('Raise the eye');
  });
});

describe('the next thing to do', () => {
  it('is walls in an untouched room of usual sizes, then something to put in, then a place to stand', () => {
    expect(foot(at(DEMOS, 0)).next).toBe('stand');
    const bare = smallRoom([]);
    expect(foot(bare).next).toBe('templates');
    const usual = {
      ...bare,
      spaces: bare.spaces.map((space) => ({
        ...space,
        walls: space.walls.map((wall) => ({
          ...wall,
          length: {
            ...wall.length,
            claims: wall.length.claims.map((claim) => ({ ...claim, source: 'usual' as const })),
          },
        })),
      })),
    };
    expect(foot(usual).next).toBe('walls');
    expect(foot(bare).counted).toBe('1 room, 4 walls, 0 openings, 0 pieces');
  });
  it('the piece to draw is the view’s own choice, else the first, else none', () => {
    const tea = at(DEMOS, 1);
    expect(chosenPiece(tea, at(tea.views, 0))).toBe(at(tea.plans, 0).pieceId);
    expect(chosenPiece({ ...tea, plans: [] }, at(tea.views, 0))).toBe(at(tea.pieces, 0).id);
    expect(chosenPiece(smallRoom([]), at(smallRoom([]).views, 0))).toBeNull();
  });
});
