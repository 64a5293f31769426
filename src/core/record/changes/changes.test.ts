import { formatBareLength, IMPERIAL_STYLE } from '@/core/units';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { boxPiece, boxView, homeMark, size, smallRoom } from '@/testing';
import { findThing, PLAIN_OPENING, type Opening, type Project, type Space, type Surface } from '../index';
import { applyChange, CHANGE_KINDS, several, type Change, type ChangeKind } from './index';

const opening: Opening = {
  ...PLAIN_OPENING,
  id: 'door',
  name: 'the door',
  kind: 'door',
  wallId: 'north',
  fromCorner: 'nw',
  offset: size('door/offset', 300),
  width: size('door/width', 900),
  sill: size('door/sill', 0),
  height: size('door/height', 2010),
  reveal: size('door/reveal', 80),
};
const surface: Surface = {
  id: 'tiles',
  name: 'tiles',
  kind: 'tiles',
  spaceId: 'room',
  on: 'floor',
  wallId: 'west',
  bond: 'square',
  length: size('tiles/length', 300),
  breadth: size('tiles/breadth', 300),
  joint: size('tiles/joint', 5),
  start: size('tiles/start', 0),
  turnDeg: 0,
  lights: null,
};
const checked = {
  ...boxPiece({ id: 'checked', fromWest: 2400 }),
  checks: [{ id: 'check', pieceCorner: 'front-left' as const, wallId: 'south', distance: size('check/distance', 900) }],
};
/** A second room, the small one's copy to its east. */
function annexe(): Space {
  const own = at(smallRoom().spaces, 0);
  return {
    ...own,
    id: 'annexe',
    name: 'the annexe',
    origin: { x: 6000, y: 0 },
    ceilingHeight: size('annexe/ceiling', 2500),
    walls: own.walls.map((wall) => ({
      ...wall,
      id: `annexe-${wall.id}`,
      startCorner: `annexe-${wall.startCorner}`,
      length: { ...wall.length, id: `annexe-${wall.id}/length` },
    })),
  };
}
const RING = { kind: 'through-wall', about: 'checked', viewId: null, of: ['north', 12.5] } as const;
const base = (): Project => ({
  ...smallRoom([boxPiece({ id: 'box' }), checked]),
  spaces: [...smallRoom().spaces, annexe()],
  openings: [opening],
  surfaces: [surface],
  views: [boxView({}), boxView({ id: 'other', name: 'Other' })],
  laidAside: [{ id: 'aside', ring: RING, reason: 'scribed to the skirting' }],
  plans: [{ id: 'plan', viewId: 'view', pieceId: 'box', school: 'measuring-points', begin: 'footprint', pieces: [] }],
});

/** One sound change of every kind: the compiler asks for a new kind's. */
const SAMPLES: { readonly [K in ChangeKind]: Extract<Change, { readonly kind: K }> } = {
  'rename-project': { kind: 'rename-project', name: 'Another' },
  'change-units': { kind: 'change-units', units: 'imperial' },
  'rename-thing': { kind: 'rename-thing', id: 'north', name: 'the long wall' },
  'remove-things': { kind: 'remove-things', ids: ['box', 'door', 'tiles'] },
  'lay-aside': { kind: 'lay-aside', ring: { ...RING, about: 'box' }, reason: 'it is built in' },
  'ring-again': { kind: 'ring-again', id: 'aside' },
  'correct-size': { kind: 'correct-size', sizeId: 'box/width', mm: 1250, asTyped: '1250' },
  'claim-size': {
    kind: 'claim-size',
    sizeId: 'box/width',
    claim: { mm: 1210, asTyped: '1210', source: 'measured', uncertaintyMm: 3 },
  },
  'put-in-force': { kind: 'put-in-force', sizeId: 'box/width', claimId: 'box/width/1' },
  'withdraw-claim': { kind: 'withdraw-claim', sizeId: 'box/width', claimId: 'box/width/1' },
  'source-size': { kind: 'source-size', sizeId: 'box/width', source: 'maker' },
  'settle-size': { kind: 'settle-size', sizeId: 'box/width', mm: 1000 },
  'move-size': { kind: 'move-size', sizeId: 'box/width', mm: 1000 },
  'add-piece': { kind: 'add-piece', piece: boxPiece({ id: 'new', fromWest: 3000 }) },
  'change-piece': { kind: 'change-piece', pieceId: 'box', fields: { name: 'the chest' } },
  'turn-piece': { kind: 'turn-piece', pieceId: 'box', turnDeg: 30 },
  'turn-piece-about-middle': { kind: 'turn-piece-about-middle', pieceId: 'box', turnDeg: 30 },
  'move-pieces': { kind: 'move-pieces', pieceIds: ['box', 'checked'], by: { x: 50, y: 20 } },
  'settle-piece': { kind: 'settle-piece', pieceId: 'box', by: { x: 50, y: 20 } },
  'remove-piece': { kind: 'remove-piece', pieceId: 'box' },
  'duplicate-piece': { kind: 'duplicate-piece', pieceId: 'box' },
  'repeat-piece': { kind: 'repeat-piece', pieceId: 'box', count: 3, spacing: 300, along: 'width' },
  'mirror-piece': { kind: 'mirror-piece', pieceId: 'box' },
  'align-pieces': { kind: 'align-pieces', pieceIds: ['box', 'checked'], wallId: 'west', what: 'near' },
  'paste-pieces': { kind: 'paste-pieces', pieces: [boxPiece({ id: 'pasted' })] },
  'set-count': { kind: 'set-count', pieceId: 'box', name: 'drawers', count: 3 },
  'set-choice': { kind: 'set-choice', pieceId: 'box', name: 'leg', choice: 'round' },
  'set-division': { kind: 'set-division', pieceId: 'box', name: 'bays', division: { by: 'equal', count: 2 } },
  'set-division-of': {
    kind: 'set-division-of',
    pieceId: 'box',
    name: 'openings',
    part: 1,
    division: { by: 'equal', count: 3 },
  },
  'set-outlines': {
    kind: 'set-outlines',
    pieceId: 'box',
    outlines: [{ id: 'o', view: 'plan', corners: [], holes: [], from: 0, to: 1 }],
  },
  'place-by-corner': { kind: 'place-by-corner', pieceId: 'box', pieceCorner: 'front-right' },
  'add-check': { kind: 'add-check', pieceId: 'box', wallId: 'south' },
  'remove-check': { kind: 'remove-check', pieceId: 'checked', checkId: 'check' },
  'measure-check': { kind: 'measure-check', pieceId: 'checked', checkId: 'check', mm: 905, asTyped: '905' },
  'lay-first-room': { kind: 'lay-first-room', space: { ...at(smallRoom().spaces, 0), id: 'laid' } },
  'add-space': { kind: 'add-space', space: { ...at(smallRoom().spaces, 0), id: 'third' } },
  'change-space': { kind: 'change-space', spaceId: 'room', fields: { origin: { x: 5, y: 5 } } },
  'remove-space': { kind: 'remove-space', spaceId: 'annexe' },
  'move-space': { kind: 'move-space', spaceId: 'annexe', bearingDeg: 90, mm: 250 },
  'add-level': { kind: 'add-level', id: 'attic', name: 'Attic', elevation: size('attic/elevation', 2900) },
  'change-wall': { kind: 'change-wall', wallId: 'annexe-north', fields: { bearingDeg: 91 } },
  'push-wall': { kind: 'push-wall', wallId: 'south', from: 1000, to: 2000, by: 300 },
  'move-corner': { kind: 'move-corner', spaceId: 'room', cornerId: 'ne', to: { x: 4100, y: 3000 } },
  'insert-corner': {
    kind: 'insert-corner',
    wallId: 'north',
    at: 2000,
    cornerId: 'new-corner',
    newWallId: 'north-right',
  },
  'remove-corner': { kind: 'remove-corner', spaceId: 'annexe', cornerId: 'annexe-ne' },
  'share-closing-error': { kind: 'share-closing-error', spaceId: 'room' },
  'close-into-last-wall': { kind: 'close-into-last-wall', spaceId: 'room' },
  'add-opening': { kind: 'add-opening', opening: { ...opening, id: 'second', wallId: 'east', fromCorner: 'ne' } },
  'change-opening': { kind: 'change-opening', openingId: 'door', fields: { head: 'arched' } },
  'move-opening': { kind: 'move-opening', openingId: 'door', along: 100, up: 0 },
  'remove-opening': { kind: 'remove-opening', openingId: 'door' },
  'add-surface': { kind: 'add-surface', surface: { ...surface, id: 'boards', kind: 'boards' } },
  'change-surface': { kind: 'change-surface', surfaceId: 'tiles', fields: { turnDeg: 45 } },
  'remove-surface': { kind: 'remove-surface', surfaceId: 'tiles' },
  'change-view': { kind: 'change-view', viewId: 'view', fields: { scaleDenominator: 50 } },
  'add-view': { kind: 'add-view', view: boxView({ id: 'third', name: 'Third' }) },
  'copy-view': { kind: 'copy-view', viewId: 'view', id: 'copy', name: 'Copy' },
  'rename-view': { kind: 'rename-view', viewId: 'view', name: 'From the door' },
  'move-view': { kind: 'move-view', viewId: 'view', to: 1 },
  'remove-view': { kind: 'remove-view', viewId: 'view' },
  'choose-piece': { kind: 'choose-piece', viewId: 'view', pieceId: 'checked' },
  'choose-plan-way': { kind: 'choose-plan-way', viewId: 'view', way: { begin: 'crate' } },
  'choose-piece-way': {
    kind: 'choose-piece-way',
    viewId: 'view',
    pieceId: 'box',
    way: { school: 'distance-point', begin: 'crate' },
  },
  several: {
    kind: 'several',
    changes: [
      { kind: 'turn-piece', pieceId: 'box', turnDeg: 10 },
      { kind: 'mirror-piece', pieceId: 'box' },
    ],
  },
};
/** Kinds that change nothing here: the claim is in force already, it is the only one, the walls close. */
const STILL: readonly ChangeKind[] = ['put-in-force', 'withdraw-claim', 'share-closing-error', 'close-into-last-wall'];

describe('changes as data', () => {
  it.each(CHANGE_KINDS)(
    '%s is a plain value: written to a file and read again it does the same, and nothing is lost',
    (kind) => {
      const project = base();
      const frozen = JSON.stringify(project);
      const change = SAMPLES[kind];
      const done = applyChange(project, change);
      const again = applyChange(base(), JSON.parse(JSON.stringify(change)) as Change);
      expect(again).toEqual(done);
      expect(JSON.stringify(project)).toBe(frozen);
      if (kind === 'withdraw-claim') return expect(done.ok).toBe(false);
      if (!done.ok) throw new Error(done.error.message);
      if (STILL.includes(kind)) expect(done.value).toEqual(project);
      else expect(done.value).not.toEqual(project);
    },
  );
  it('several are one: the first that is refused undoes them all', () => {
    const project = base();
    const done = applyChange(
      project,
      several([
        { kind: 'turn-piece', pieceId: 'box', turnDeg: 10 },
        { kind: 'turn-piece', pieceId: 'nowhere', turnDeg: 10 },
      ]),
    );
    expect(done.ok).toBe(false);
    expect(several([{ kind: 'mirror-piece', pieceId: 'box' }])).toEqual({ kind: 'mirror-piece', pieceId: 'box' });
  });
  it('figures that a change estimates are written as the project writes its own', () => {
    const written = (units: Project['units']): string => {
      const done = applyChange({ ...base(), units }, { kind: 'settle-size', sizeId: 'box/width', mm: 1016 });
      return done.ok ? (at(done.value.pieces, 0).width.claims.at(-1)?.asTyped ?? '') : done.error.message;
    };
    expect(written('metric')).toMatch(/^1\s016$/);
    expect(written('imperial')).toBe(formatBareLength(1016, IMPERIAL_STYLE));
  });
  it('what is taken out takes along what helped its points; a point that serves others keeps its remedy for them', () => {
    const serves = [
      { thing: 'piece', id: 'box' },
      { thing: 'piece', id: 'checked' },
    ] as const;
    const mark = { serves, role: 'vanishing', side: 'left' } as const;
    const own = { by: 'strip', mark: homeMark('vp-right') } as const;
    const project = { ...base(), views: [boxView({ aids: [own, { by: 'ticks', mark, stepMm: 5 }] })] };
    const aidsAfter = (...ids: string[]) => {
      const done = applyChange(project, { kind: 'remove-things', ids });
      if (!done.ok) throw new Error(done.error.message);
      return at(done.value.views, 0).aids;
    };
    expect(aidsAfter('box')).toEqual([own, { by: 'ticks', mark: { ...mark, serves: [serves[1]] }, stepMm: 5 }]);
    expect(aidsAfter('box', 'checked')).toEqual([own]);
  });
  it('takes out whatever it is, with what hangs on it; walls and levels only with their room', () => {
    const done = applyChange(base(), { kind: 'remove-things', ids: ['annexe', 'box', 'door'] });
    if (!done.ok) throw new Error(done.error.message);
    for (const id of ['annexe', 'annexe-north', 'box', 'door']) expect(findThing(done.value, id)).toBeNull();
    const refused = applyChange(base(), { kind: 'remove-things', ids: ['north'] });
    expect(!refused.ok && refused.error.message).toMatch(/cannot be taken out/);
  });
});

describe('views', () => {
  const views = (change: Change): string[] => {
    const done = applyChange(base(), change);
    return done.ok ? done.value.views.map((view) => `${view.id}: ${view.name}`) : [done.error.message];
  };
  it('are copied with the piece chosen in them, named, put in order and taken out', () => {
    expect(views({ kind: 'copy-view', viewId: 'view', id: 'copy', name: 'Lower' })).toEqual([
      'view: View',
      'copy: Lower',
      'other: Other',
    ]);
    const copied = applyChange(base(), { kind: 'copy-view', viewId: 'view', id: 'copy', name: 'Lower' });
    expect(copied.ok && copied.value.plans.find((plan) => plan.viewId === 'copy')?.pieceId).toBe('box');
    expect(views({ kind: 'move-view', viewId: 'other', to: 0 })).toEqual(['other: Other', 'view: View']);
    expect(views({ kind: 'move-view', viewId: 'view', to: 99 })).toEqual(['other: Other', 'view: View']);
    expect(views({ kind: 'rename-view', viewId: 'other', name: ' ' })).toEqual(['A view wants a name.']);
    expect(views({ kind: 'remove-view', viewId: 'view' })).toEqual(['other: Other']);
    expect(views({ kind: 'copy-view', viewId: 'view', id: 'other', name: 'x' })).toEqual([
      'That name is taken by another view.',
    ]);
  });
});
