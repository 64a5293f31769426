import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, seededRandom } from '@/core/base';
import { sceneOf, sheetOf } from '@/core/pipeline';
import { lengthStyleOf, type Project, type View } from '@/core/record';
import { standOf, type Stand } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { randomRoom } from '@/testing';
import { layerOf, type Drawing, type Word } from './drawing';
import { settleWords } from './settle-words';
import { setOutDrawing } from './set-out-drawing';
import { tablePages } from './table-pages';
import { brokenText, fittingText, textWidth } from './word-box';

/** Boxes told here by themselves: from what a PDF reader gives as a word's width, not from the placer's own. */
const boxOf = ({ x, y, text, heightMm, anchor }: Word) => {
  const wide = textWidth(text) * heightMm;
  const left = x - (anchor === 'end' ? wide : anchor === 'middle' ? wide / 2 : 0);
  return { left, right: left + wide, low: y - 0.2 * heightMm, high: y + 0.72 * heightMm };
};
const wordsOf = (drawing: Drawing): readonly Word[] =>
  drawing.layers
    .filter(({ role }) => role.layer !== 'table')
    .flatMap((layer) => layer.words)
    .filter(({ x, y }) => x >= 0 && y >= 0 && x <= drawing.width && y <= drawing.height);

/** Pairs of words that cover one another. */
function covered(drawing: Drawing): readonly string[] {
  const boxes = wordsOf(drawing).map((word) => ({ word, box: boxOf(word) }));
  return boxes.flatMap(({ word, box }, i) =>
    boxes
      .slice(i + 1)
      .filter(
        ({ box: other }) =>
          box.left < other.right && other.left < box.right && box.low < other.high && other.low < box.high,
      )
      .map((other) => `${word.text} over ${other.word.text}`),
  );
}

/** Words that cover the cross of a mark: where two strokes of one mark meet. */
function overMarks(drawing: Drawing): readonly string[] {
  const marks = drawing.layers.flatMap(({ strokes }) =>
    strokes.flatMap(({ role, x0, y0, x1, y1 }) =>
      role.is === 'mark' || (role.is === 'row' && (role.row.row === 'mark' || role.row.row === 'trace'))
        ? [{ x: (x0 + x1) / 2, y: (y0 + y1) / 2 }]
        : [],
    ),
  );
  return wordsOf(drawing).flatMap((word) => {
    const { left, right, low, high } = boxOf(word);
    return marks.filter(({ x, y }) => x > left && x < right && y > low && y < high).map(() => word.text);
  });
}

const stood = (project: Project, view: View): Stand | null => {
  const stand = standOf(project, view);
  return stand.ok ? stand.value : null;
};

/** Every drawing of a view that bears names of marks: its sheet, its set-out, the table's pages. */
function drawingsOf(project: Project, view: View, stand: Stand): readonly Drawing[] {
  const style = lengthStyleOf(project);
  const scene = sceneOf(project);
  const lines = drain(visibleLinesExact(scene.prepared, stand.setUp, view.frame));
  const piece = project.pieces[0]?.id ?? null;
  return [
    sheetOf(project, view, scene, stand, lines, piece),
    setOutDrawing(project, view, stand, style),
    ...tablePages(project, view, stand, style, { name: 'A4', width: 210, height: 297 }),
  ];
}

describe('words on a sheet', () => {
  it.each(DEMOS.flatMap((project) => project.views.map((view) => [project.name, view.name, project, view] as const)))(
    'of %s, %s: none covers another or a mark, on any drawing',
    (_name, _view, project, view) => {
      const stand = stood(project, view);
      if (!stand) throw new Error('a demonstration can be stood in');
      for (const drawing of drawingsOf(project, view, stand)) {
        expect(covered(drawing), drawing.title).toEqual([]);
        expect(overMarks(drawing), drawing.title).toEqual([]);
      }
    },
  );
  it('of 40 random rooms: none covers another or a mark (seeds 1…)', () => {
    let drawings = 0;
    for (let seed = 1; seed <= 40; seed += 1) {
      const project = randomRoom(seed);
      const view = at(project.views, 0);
      const stand = stood(project, view);
      if (!stand) continue;
      const style = lengthStyleOf(project);
      const small: View = { ...view, sheet: { ...view.sheet, name: 'small', width: 210, height: 148 } };
      for (const one of [view, small]) {
        const again = stood(project, one);
        if (!again) continue;
        const drawing = setOutDrawing(project, one, again, style);
        expect(covered(drawing), `seed ${seed}`).toEqual([]);
        expect(overMarks(drawing), `seed ${seed}`).toEqual([]);
        drawings += 1;
      }
    }
    expect(drawings).toBeGreaterThan(60);
  });
  it('fifty marks on one line within a hand’s breadth keep their names apart, at three sizes of letters (seeds 1…)', () => {
    for (let seed = 1; seed <= 5; seed += 1)
      for (const heightMm of [1.5, 3, 6]) {
        const random = seededRandom(seed);
        const words = Array.from({ length: 50 }, (_, i): Word => {
          const mark = { x: 150 + random() * 100, y: 150 };
          const place = { x: mark.x + 1, y: 152, heightMm, anchor: 'start' as const };
          return { ...place, text: `M${i}`, free: { where: 'beside', mark } };
        });
        const layers = [layerOf({ layer: 'set-out' }, 'Set-out', { words })];
        const drawing = settleWords({ title: '', width: 400, height: 300, layers });
        expect(covered(drawing), `seed ${seed}`).toEqual([]);
        const [layer] = drawing.layers;
        expect(layer?.words.length).toBeGreaterThan(heightMm > 3 ? 30 : 49);
        // Each that went away has a leader from its own mark.
        const leaders = layer?.strokes.filter((one) => one.role.is === 'leader') ?? [];
        if (heightMm >= 3) expect(leaders.length).toBeGreaterThan(10);
        for (const { x0, y0, of } of leaders) {
          const own = words.find((one) => of === `leader-${one.text}`);
          const mark = own?.free?.where === 'beside' ? own.free.mark : null;
          expect([x0, y0]).toEqual([mark?.x, mark?.y]);
        }
      }
  });
  it('one mark borne by two layers is named once; two marks in one place keep both names', () => {
    const word = (text: string): Word => ({
      ...{ x: 51, y: 51, text, heightMm: 3, anchor: 'start' },
      free: { where: 'beside', mark: { x: 50, y: 50 } },
    });
    const layers = [
      layerOf({ layer: 'set-out' }, 'Set-out', { words: [word('VL'), word('ML2')] }),
      layerOf({ layer: 'construction' }, 'Construction', { words: [{ ...word('VL'), x: 50.7, heightMm: 2.8 }] }),
    ];
    const settled = settleWords({ title: '', width: 100, height: 100, layers });
    expect(settled.layers.map((layer) => layer.words.map(({ text }) => text))).toEqual([['VL', 'ML2'], []]);
    expect(covered(settled)).toEqual([]);
  });
  it('the name of a mark off the sheet stays with it there, or is left out where it would reach onto the sheet', () => {
    const word = (x: number): Word => ({
      ...{ x: x + 1.5, y: 51, text: `at ${x}`, heightMm: 3, anchor: 'start' },
      free: { where: 'beside', mark: { x, y: 50 } },
    });
    const words = [word(-1), word(-40), word(0), word(99), word(101)];
    const layers = [layerOf({ layer: 'set-out' }, 'Set-out', { words })];
    const [layer] = settleWords({ title: '', width: 100, height: 100, layers }).layers;
    expect(layer?.words.map(({ text }) => text)).toEqual(['at -40', 'at 0', 'at 99', 'at 101']);
  });
  it('a caption too long for its line is broken, and stands clear of the control line’s note', () => {
    const project = {
      ...randomRoom(3),
      name: 'The long low room behind the second store at the harbour’s far end, with its loft and the stair that leads there from the yard of the harbour master’s house',
    };
    const view = at(project.views, 0);
    const narrow: View = { ...view, sheet: { ...view.sheet, width: 210, height: 297 } };
    const stand = stood(project, narrow);
    if (!stand) throw new Error('stands');
    const drawing = setOutDrawing(project, narrow, stand, lengthStyleOf(project));
    const control = drawing.layers.find((one) => one.role.layer === 'control')?.words ?? [];
    expect(control.length).toBeGreaterThan(2);
    for (const word of control) expect(boxOf(word).left).toBeGreaterThan(0);
    expect(covered(drawing)).toEqual([]);
  });
  it('true heights are told from the ground line: a door 2 010 high reads 2 010, wherever the sheet has its edge', () => {
    const project = randomRoom(5);
    const door = project.openings[0];
    if (!door) throw new Error('a room with an opening');
    const mm = 2010;
    const size = (id: string, of: number) => ({
      id,
      claims: [{ id: `${id}-1`, mm: of, asTyped: String(of), source: 'measured' as const, uncertaintyMm: 5 }],
      inForce: `${id}-1`,
    });
    const made = {
      ...project,
      openings: [{ ...door, sill: size('sill', 0), height: size('height', mm) }],
    } satisfies Project;
    const view = at(made.views, 0);
    const stand = stood(made, view);
    if (!stand) throw new Error('stands');
    const words = setOutDrawing(made, view, stand, lengthStyleOf(made)).layers.flatMap((layer) => layer.words);
    const scaled = (mm / view.scaleDenominator).toFixed(1);
    expect(words.map((word) => word.text)).toContainEqual(
      expect.stringMatching(`${scaled}\\smm \\(2\\s010\\smm\\) above`),
    );
    const pages = tablePages(made, view, stand, lengthStyleOf(made), { name: 'A4', width: 210, height: 297 });
    const told = pages.flatMap((page) => page.layers.flatMap((layer) => layer.words));
    const row = told.find((word) => word.text.startsWith('head of'));
    const cells = told.filter((word) => word.y === row?.y).map((word) => word.text);
    expect(cells.map((cell) => cell.replace(/\s/g, ' '))).toEqual(expect.arrayContaining([`${scaled} mm`, '2 010 mm']));
  });
});

describe('text by its width', () => {
  it('is broken between words, and cut where it must be', () => {
    expect(brokenText('one two three', 3, textWidth('one two') * 3 + 0.01)).toEqual(['one two', 'three']);
    expect(brokenText('unbreakable', 3, 1)).toEqual(['unbreakable']);
    const cut = fittingText('The long low room', 3, 14);
    expect(cut.endsWith('…')).toBe(true);
    expect(textWidth(cut) * 3).toBeLessThanOrEqual(14);
    expect(fittingText('short', 3, 100)).toBe('short');
  });
  it('figures are as wide as the face has them, and what it does not know is wider than most', () => {
    expect(textWidth('00')).toBeCloseTo(1.042, 3);
    expect(textWidth('織')).toBeGreaterThan(textWidth('n'));
  });
});
