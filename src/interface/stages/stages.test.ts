import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { viewOf } from '@/core/record';
import { commonKeys, keysOf, stageAfter, type Stage } from '@/interface/frame';
import { chosenPiece, ringsOf, type Session, type WorkedOut } from '@/interface/session';
import { createWork, newWork } from '@/state';
import { smallRoom } from '@/testing';
import { FIRST_STAGE, STAGES } from '.';
import { foot } from './measure/foot';

const named = (id: string): Stage =>
  at(
    STAGES.filter((one) => one.id === id),
    0,
  );
/** As much of a session as a stage asks about before it is gone to. */
const asked = (piece: string | null, stands: boolean): Session & WorkedOut =>
  ({
    project: at(DEMOS, 0),
    chosen: piece,
    perspective: stands ? { ok: true, value: {} } : { ok: false, error: { message: 'One stands within the plane.' } },
  }) as unknown as Session & WorkedOut;

describe('stages', () => {
  it('each has an address, a name and a letter of its own; one begins in one of them', () => {
    for (const what of [STAGES.map((one) => one.id), STAGES.map((one) => one.name), STAGES.map((one) => one.key.keys)])
      expect(new Set(what).size).toBe(STAGES.length);
    expect(STAGES).toContain(FIRST_STAGE);
    for (const { id } of STAGES) expect(id).toMatch(/^[a-z]+(-[a-z]+)*$/);
  });
  it('in every stage a key does one thing, and each thing is told what it does', () => {
    for (const stage of STAGES) {
      const here = [...keysOf(stage), ...commonKeys(STAGES)];
      const keys = here.flatMap((one) => one.keys.split(', '));
      expect(
        keys.filter((key, index) => keys.indexOf(key) !== index),
        stage.name,
      ).toEqual([]);
      for (const one of here) {
        expect(one.does.length).toBeGreaterThan(3);
        expect(one.shown.length).toBeGreaterThan(0);
      }
    }
  });
  it('every stage is reached by a letter from every other', () => {
    for (const stage of STAGES) expect(commonKeys(STAGES)).toContain(stage.key);
  });
  it('no two buttons of a stage say the same', () => {
    for (const { sheets, name } of STAGES) {
      const words = sheets.flatMap((sheet) => sheet.button ?? []);
      expect(new Set(words).size, name).toBe(words.length);
    }
  });
  it('each leads to the next in the work, the last and what lies beside it to none', () => {
    const after = (here: Stage, all = STAGES) => stageAfter({ all, here });
    const work = STAGES.filter((one) => one.order === 'in-the-work');
    expect(work.map((one) => after(one))).toEqual([...work.slice(1), undefined]);
    const places = ['measure', 'stand', 'set-out', 'draw'].map((id) => work.indexOf(named(id)));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    const log: Stage = { ...named('draw'), id: 'log', order: 'beside-the-work' };
    expect(after(log, [...STAGES, log])).toBeUndefined();
    expect(after(at(work, work.length - 1), [...STAGES, log])).toBeUndefined();
  });
  it('the way on is told by what there is', () => {
    const [piece] = at(DEMOS, 0).pieces;
    for (const chosen of [piece?.id ?? null, null])
      expect(named('draw').invites(asked(chosen, true))).toBe('Draw it, step by step');
    expect(named('draw').invites(asked(piece?.id ?? null, false))).toBeNull();
    expect(named('set-out').invites(asked(null, false))).toBeNull();
    expect(named('stand').invites(asked(null, false))).toBe('Choose where to stand');
  });
  it('each says what it lacks, and where that is mended', () => {
    const lacks = (id: string, piece: string | null, stands: boolean) => named(id).lacks(asked(piece, stands));
    expect(lacks('draw', 'bench', false)).toMatchObject({ stage: 'stand' });
    // A room without a piece has walls and openings to draw.
    expect(lacks('draw', null, true)).toBeNull();
    expect(lacks('draw', 'bench', true)).toBeNull();
    expect(lacks('set-out', null, false)).toMatchObject({ says: 'One stands within the plane.', stage: 'stand' });
    for (const stage of STAGES)
      for (const lack of [stage.lacks(asked(null, true)), stage.lacks(asked(null, false))])
        if (lack) expect(STAGES.map(({ id }) => id)).toContain(lack.stage);
  });
});

describe('rings', () => {
  it('a warning’s remedy changes its view and nothing else', () => {
    const project = at(DEMOS, 0);
    const view = at(project.views, 1);
    const warning = {
      kind: 'eye-level',
      about: 'stair',
      message: 'One sees neither top nor underside.',
      remedies: [{ label: 'Raise the eye', change: { eyeHeight: { mm: 1700, asTyped: '1700' } } }],
    } as const;
    const ring = at(ringsOf(project, [], { view, warnings: [warning] }).open, 0);
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
