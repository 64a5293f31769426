import { describe, expect, test } from 'vitest';
import { newSize, type Piece } from '@/core/record';
import { keepBodies, CATALOGUE, newPiece, type Body } from '@/core/solids';
import { smallRoom, boxView } from '@/testing';
import { prepareBodies, sceneFrom, type PreparedScene } from '.';

/** Two of a kind in one room, the second turned, mirrored and lifted, and one like the first elsewhere. */
function three(kind: string): readonly Piece[] {
  const made = (id: string, west: number, north: number): Piece => {
    const piece = newPiece(
      kind,
      {
        ...{ id, name: `the ${id}`, levelId: 'ground' },
        from: [
          { wallId: 'west', mm: west },
          { wallId: 'north', mm: north },
        ],
      },
      String,
    );
    if (!piece) throw new Error(kind);
    return piece;
  };
  const turned = made('turned', 3100, 700);
  return [
    made('first', 411.3, 397.7),
    {
      ...turned,
      mirrored: true,
      place: { ...turned.place, turnDeg: 33 },
      lift: newSize('turned/lift', { mm: 120, asTyped: '120', source: 'measured', uncertaintyMm: 1 }),
    },
    made('like-the-first', 1800.9, 2101.1),
  ];
}

const bodiesOfKind = (kind: string): readonly Body[] =>
  keepBodies(smallRoom(three(kind), boxView())).bodies.filter((body) => body.kind === 'piece');

/** Everything of a scene that is told in words, and everything that is told in figures. */
function told(scene: PreparedScene): { readonly words: readonly unknown[]; readonly figures: readonly number[] } {
  const figures: number[] = [];
  const words: unknown[] = [];
  const walk = (value: unknown): unknown => {
    if (typeof value === 'number') return void figures.push(value);
    if (value instanceof Float64Array) return void figures.push(...value);
    if (Array.isArray(value)) return value.map(walk);
    if (value !== null && typeof value === 'object')
      return Object.fromEntries(
        Object.entries(value)
          .filter(([key]) => key !== 'copy')
          .sort(([a], [b]) => (a < b ? -1 : 1))
          .map(([key, one]) => [key, walk(one)]),
      );
    return value;
  };
  for (const part of [scene.faces, scene.edges, scene.curves, scene.rounds]) words.push(walk(part));
  return { words, figures };
}

describe('copies of one model', () => {
  test.each(CATALOGUE.map(({ id }) => id))(
    '%s: each is what it would be if it had been made ready by itself',
    (kind) => {
      const bodies = bodiesOfKind(kind);
      expect(bodies).toHaveLength(3);
      // The first is what the third is, elsewhere.
      for (const body of bodies.slice(1)) {
        const { copy, ...alone } = body;
        if (kind === 'box') expect(copy).toBeUndefined();
        else expect(copy).toBeDefined();
        const [made, wanted] = [body, alone].map((one) => told(sceneFrom(prepareBodies([one]))));
        expect(made?.words).toEqual(wanted?.words);
        expect(made?.figures).toHaveLength(wanted?.figures.length ?? -1);
        made?.figures.forEach((value, i) => expect(Math.abs(value - (wanted?.figures[i] ?? NaN))).toBeLessThan(1e-6));
      }
    },
  );

  test('what is alike shares a model, turned or of another number of anything it does not', () => {
    const [first, turned, like] = bodiesOfKind('chest-of-drawers').map((body) => body.copy?.model);
    expect(like).toBe(first);
    expect(turned).not.toBe(first);
    const [one, , other] = three('chest-of-drawers') as [Piece, Piece, Piece];
    const fewer = keepBodies(smallRoom([one, { ...other, counts: { ...other.counts, columns: 2 } }], boxView())).bodies;
    const models = fewer.flatMap(({ copy }) => copy?.model ?? []);
    expect(new Set(models).size).toBe(2);
  });

  test('models live as long as something is a copy of them', () => {
    const room = smallRoom(three('stool'), boxView());
    const before = keepBodies(room);
    const [first, ...rest] = room.pieces as readonly [Piece, ...Piece[]];
    const after = keepBodies({ ...room, pieces: [{ ...first, name: 'the same' }, ...rest] }, before);
    const model = (kept: typeof before, id: string) => kept.bodies.find((body) => body.id === id)?.copy?.model;
    expect(model(after, 'first')).toBe(model(before, 'first'));
    const alone = keepBodies({ ...room, pieces: [] }, after);
    expect(model(keepBodies(room, alone), 'first')).not.toBe(model(before, 'first'));
  });
});
