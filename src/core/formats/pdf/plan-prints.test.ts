import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, drain } from '@/core/base';
import { makes, marksByPass, ORDERS, ORDINARY_PACE, say, strokesOf, type Order } from '@/core/construction';
import { CARDS_PER_PAGE, NO_CORRECTION, type CardsPerPage, type Drawing, type Word } from '@/core/drawing';
import { writeMarks } from '@/core/formats/tables';
import {
  planningView,
  PRINTED,
  printPages,
  PRINT_PARTS,
  sceneOf,
  type PlannedView,
  type PlanPrint,
  type PrintPart,
} from '@/core/pipeline';
import { standOf } from '@/core/view';
import { choosePlanWay, lengthStyleOf, type Project, type SchoolName } from '@/core/record';
import { formatLength, formatPaper } from '@/core/units';
import { wordBox } from '@/core/drawing/word-box';
import { holds, runs } from '@/testing';
import { readPdf } from '@/testing/read-pdf';
import { writePdf } from './index';

const TRIED = [
  'plan-projection',
  'plan-and-elevation',
  'measured-grid',
  'diagonals',
  'sheet-corners',
  'binary-steps',
] as const;
/** With which of them in the short run: each demonstration in millimetres, and in feet. */
const SHORT = [
  ['plan-projection', 'measured-grid'],
  ['diagonals', 'plan-projection'],
  ['plan-projection', 'diagonals'],
] as const;

/** A demonstration from its plan, and in the other units. */
const fromPlan = (demo: Project, units: Project['units'], school: SchoolName = 'plan-projection'): Project =>
  choosePlanWay({ ...demo, units }, at(demo.views, 0).id, { school });

/** Each demonstration in both units: in the short run each with one of the schools, in the long run with all. */
const GIVEN = DEMOS.flatMap((demo, i) =>
  (['metric', 'imperial'] as const).flatMap((units, j) =>
    TRIED.filter((school) => runs() > 100 || school === SHORT[i]?.[j]).map((school) => fromPlan(demo, units, school)),
  ),
);
const TEA_ROOM = at(DEMOS, 1);
const viewOf = (project: Project) => at(project.views, 0);
const made = new Map<Project, PlannedView>();
function planned(project: Project): PlannedView {
  const known = made.get(project);
  if (known) return known;
  const found = drain(planningView(project, viewOf(project)));
  if (!found.ok) throw new Error(found.error.message);
  made.set(project, found.value);
  return found.value;
}
/** Pages of one part, from the plan that is made already: a print makes it anew. */
function pagesOf(project: Project, part: PrintPart, plan: Partial<PlanPrint> = {}): readonly Drawing[] {
  const view = viewOf(project);
  const stand = standOf(project, view);
  const printed = PRINTED.find((one) => one.part === part);
  if (!stand.ok || !printed) throw new Error(part);
  return drain(
    printed.pages({
      ...{ project, view, stand: stand.value, style: lengthStyleOf(project), page: A4 },
      ways: { order: 'by-piece', pace: ORDINARY_PACE, underlay: 20, cards: { paper: 'A4', perPage: 2 }, ...plan },
      scene: () => sceneOf(project),
      *planned() {
        yield 1;
        return planned(project);
      },
    }),
  );
}
const A4 = { name: 'A4', width: 210, height: 297 };
const wordsOf = (page: Drawing): readonly Word[] => page.layers.flatMap((layer) => layer.words);
const named = (project: Project): string => `${project.id}, ${project.units}, ${project.plans[0]?.school ?? ''}`;

describe.each(GIVEN.map((project) => [named(project), project] as const))('marks lists, %s', (_, project) => {
  it.each(ORDERS)('%s: every mark once, with both readings, where the paper has it', (order) => {
    const { plans, paper } = planned(project);
    const plan = plans[order];
    const style = lengthStyleOf(project);
    const N = viewOf(project).scaleDenominator;
    const passes = marksByPass(plan, paper);
    const text = writeMarks(passes, N, style);
    const { data, errors } = Papa.parse<Record<string, string>>(text.trim(), { header: true });
    expect(errors).toEqual([]);
    const all = plan.steps.flatMap((step) => step.operations.flatMap((one) => makes(one).marks));
    expect(data.map((row) => row.label)).toEqual(all.map((mark) => plan.labels.get(mark)));
    const rows = new Map(data.map((row) => [row.label, row]));
    for (const step of plan.steps)
      for (const one of step.operations)
        for (const mark of makes(one).marks) {
          const row = rows.get(plan.labels.get(mark)) ?? {};
          const placed = paper.marks.get(mark);
          const from = placed?.paper === 'plan' ? paper.planAt : null;
          expect(row.paper).toBe(placed?.paper);
          const lies = [(placed?.at.u ?? NaN) - (from?.u ?? 0), (placed?.at.v ?? NaN) - (from?.v ?? 0)] as const;
          expect(Math.abs(Number(row.across_mm) - lies[0]) + Math.abs(Number(row.up_mm) - lies[1])).toBeLessThan(2e-4);
          expect(row.across_on_paper).toBe(
            `${formatPaper(Math.abs(lies[0]), style)} ${lies[0] < 0 ? 'left' : 'right'}`,
          );
          expect(row.up_at_scale).toBe(`${formatLength(Math.abs(lies[1]) * N, style)} ${lies[1] < 0 ? 'down' : 'up'}`);
          if (one.op !== 'lay-off') continue;
          expect([row.zero, row.toward]).toEqual([plan.labels.get(one.from), one.toward]);
          expect(row.reads_on_paper).toBe(formatPaper(one.distance, style));
          expect(row.reads_at_scale).toBe(formatLength(one.distance * N, style));
        }
    // A line that is ruled from a mark to a point is told with it.
    const ruled = plan.steps.flatMap((step) => step.operations.flatMap((one) => (one.op === 'rule' ? [one] : [])));
    const toPoints = ruled.flatMap(({ through }) => {
      const point = through.find((mark) => paper.roles.has(mark));
      const mark = through.find((one) => one !== point);
      return point && mark ? [[plan.labels.get(mark), plan.labels.get(point)] as const] : [];
    });
    expect(toPoints.length).toBeGreaterThan(50);
    for (const [mark, point] of toPoints) expect((rows.get(mark)?.ruled_to ?? '').split(' '), mark).toContain(point);
  });
});

it('the printed list of marks is the table: every mark and both its readings stand in the PDF (tea room)', async () => {
  const project = fromPlan(TEA_ROOM, 'metric');
  const pages = await readPdf(
    await writePdf(pagesOf(project, 'marks', { order: 'by-pass' }), { title: 'Marks', created: new Date(0) }),
  );
  const said = pages
    .map((page) =>
      page.words
        .map(({ text }) => text)
        .join(' ')
        .replace(/\s+/g, ' '),
    )
    .join(' ');
  const words = new Set(pages.flatMap((page) => page.words.map(({ text }) => text.trim())));
  const { plans, paper } = planned(project);
  const style = lengthStyleOf(project);
  for (const { marks } of marksByPass(plans['by-pass'], paper))
    for (const one of marks) {
      expect(words.has(one.label), one.label).toBe(true);
      if (one.made.by !== 'laid-off') continue;
      const real = formatLength(one.made.paperMm * viewOf(project).scaleDenominator, style).replace(/\s+/g, ' ');
      expect(said).toContain(formatPaper(one.made.paperMm, style).replace(/\s+/g, ' '));
      expect(said).toContain(real);
    }
});

/** A card as it lies on its page. */
interface Lying {
  readonly step: number;
  readonly texts: readonly Word[];
  readonly labels: readonly Word[];
  /** Names of what its figure draws. */
  readonly drawn: readonly string[];
}
/** Names in figures are of this height; the text of a card is larger. */
const LABEL_MM = 2.1;
const ACROSS: Readonly<Record<CardsPerPage, readonly [number, number]>> = { 1: [1, 1], 2: [1, 2], 4: [2, 2] };

/** Cards of pages, each with what is on it; nothing of it may leave it. */
function cardsOn(pages: readonly Drawing[], perPage: CardsPerPage): readonly Lying[] {
  const [across, down] = ACROSS[perPage];
  return pages.flatMap((page) => {
    const [width, height] = [page.width / across, page.height / down];
    return Array.from({ length: perPage }, (_, i) => {
      const [left, low] = [(i % across) * width, page.height - (Math.floor(i / across) + 1) * height];
      const own = wordsOf(page).filter(({ x, y }) => x >= left && x < left + width && y >= low && y < low + height);
      for (const word of own) {
        const box = wordBox(word);
        const inside =
          box.left >= left + 2 && box.right <= left + width - 2 && box.low >= low + 2 && box.high <= low + height - 2;
        holds(inside, () => `${page.title}: ${word.text}`);
      }
      const texts = own.filter(({ heightMm }) => heightMm !== LABEL_MM);
      const boxes = texts.map(wordBox);
      boxes.forEach((a, k) => {
        for (const [n, b] of boxes.slice(k + 1).entries())
          holds(
            a.right <= b.left || b.right <= a.left || a.high <= b.low || b.high <= a.low,
            () => `${texts[k]?.text ?? ''} / ${texts[k + 1 + n]?.text ?? ''}`,
          );
      });
      const step = Number(/^(\d+)\/\d+ {2}/.exec(texts[0]?.text ?? '')?.[1] ?? NaN);
      const drawn = page.layers
        .flatMap((layer) => layer.strokes)
        .filter(
          ({ role, x0, y0 }) =>
            role.is === 'construction' && x0 >= left && x0 < left + width && y0 >= low && y0 < low + height,
        )
        .map(({ of }) => of);
      return { step, texts, labels: own.filter(({ heightMm }) => heightMm === LABEL_MM), drawn };
    }).filter(({ texts }) => texts.length > 0);
  });
}

const PAPERS = ['A5', 'A4', 'letter'] as const;
/** Papers and cards a page; of each demonstration one of them, in the long run all. */
const CARDS = CARDS_PER_PAGE.map((perPage, i) => [at(PAPERS, i), perPage] as const);

describe.each(GIVEN.map((project, i) => [named(project), at(ORDERS, i % 2), i, project] as const))(
  'step cards, %s, %s',
  (_, order: Order, turn, project) => {
    it.each(runs() >= 1000 ? CARDS : [at(CARDS, turn % CARDS.length)])(
      'on %s, %i a page: all of every step is told, within its card, and a figure names no mark that is not there yet',
      (paper, perPage) => {
        const plan = planned(project).plans[order];
        const style = lengthStyleOf(project);
        const cards = cardsOn(pagesOf(project, 'cards', { order, cards: { paper, perPage } }), perPage);
        const there = new Set<string>();
        const lying = new Set<string>();
        plan.steps.forEach((step, i) => {
          for (const one of step.operations)
            for (const mark of makes(one).marks) there.add(plan.labels.get(mark) ?? '');
          for (const one of strokesOf(plan, step)) lying.add(one.replace(/^(firm|by eye) /, ''));
          const own = cards.filter((card) => card.step === i + 1);
          expect(own.length, step.title).toBeGreaterThan(0);
          const said = own.flatMap(({ texts }) => texts.slice(1).map(({ text }) => text)).join(' ');
          for (const one of step.says) for (const word of say(one, style).split(' ')) expect(said).toContain(word);
          for (const { label, paperMm, real, toward } of step.measures)
            expect(said.replace(/\s+/g, ' ')).toContain(
              `${label}: ${formatLength(real, style)}, ${formatPaper(paperMm, style)} ${toward}`.replace(/\s+/g, ' '),
            );
          for (const { label, lines, counted } of step.crossings)
            expect(said).toContain(`${label}: ${lines[0]} × ${lines[1]}${counted === null ? '' : `, at ${counted}`}`);
          for (const { labels } of own)
            for (const { text } of labels) expect(there.has(text), `${step.title}: ${text}`).toBe(true);
          for (const { drawn } of own)
            for (const of of drawn) holds(lying.has(of), () => `${step.title}: ${of} is not drawn yet`);
          // What is new is named, unless it is too much for a figure.
          if (step.does.pass === 'scale' && step.operations.length < 10)
            expect(own.flatMap(({ labels }) => labels).length, step.title).toBeGreaterThan(0);
        });
        expect(cards.every(({ step }) => step >= 1 && step <= plan.steps.length)).toBe(true);
      },
    );
  },
);

describe('the plan sheet, the underlay and the overview', () => {
  const project = fromPlan(TEA_ROOM, 'metric');
  const view = viewOf(project);
  it('the plan sheet letters every corner where the plan has it, at the scale of the picture plane', () => {
    const { plans, paper } = planned(project);
    const [sheet, ...more] = pagesOf(project, 'plan', {});
    if (!sheet) throw new Error('a plan sheet');
    expect(more).toEqual([]);
    const marks = sheet.layers.flatMap((layer) =>
      layer.strokes.filter((one) => one.role.is === 'construction' && one.y0 === one.y1 && one.x1 - one.x0 < 5),
    );
    const at0 = (of: string) => {
      const cross = marks.find((one) => one.of === of);
      return cross ? { x: (cross.x0 + cross.x1) / 2, y: cross.y0 } : null;
    };
    const labels = wordsOf(sheet).map(({ text }) => text);
    const zero = at0('C');
    let corners = 0;
    for (const step of plans['by-piece'].steps)
      for (const one of step.operations) {
        if (one.op !== 'take' || one.paper !== 'plan') continue;
        const drawn = at0(one.mark);
        expect(
          drawn && zero && Math.hypot(drawn.x - zero.x - one.point.u, drawn.y - zero.y - one.point.v),
        ).toBeLessThan(1e-6);
        expect(labels).toContain(plans['by-piece'].labels.get(one.mark));
        corners += 1;
      }
    expect(corners).toBeGreaterThan(50);
    expect(paper.planAt).not.toBeNull();
  });
  it('where nothing is drawn from the plan it is refused in words', () => {
    const measured = choosePlanWay(project, view.id, { school: 'distance-point' });
    const none = drain(
      printPages(measured, { viewId: view.id, parts: ['plan'], paper: 'sheet', correction: NO_CORRECTION }),
    );
    expect(none.ok ? '' : none.error.message).toMatch(/^Nothing in From the street is drawn from the plan\./);
  });
  it('an underlay has what is drawn up to its step, and nothing of the plan or of later steps', () => {
    const { plans, paper } = planned(project);
    const plan = plans['by-piece'];
    const strokesAt = (underlay: number) =>
      at(pagesOf(project, 'underlay', { underlay }), 0).layers.flatMap((layer) =>
        layer.role.layer === 'construction' ? layer.strokes : [],
      );
    const [few, more] = [strokesAt(10), strokesAt(40)];
    expect(more.length).toBeGreaterThan(few.length + 20);
    const made = new Set(
      plan.steps
        .slice(0, 10)
        .flatMap((step) => [
          ...step.operations.flatMap((one) => [...makes(one).marks, makes(one).line ?? '']),
          ...plan.keeps.filter((one) => one.step === step.id).map(({ edge }) => edge),
        ]),
    );
    for (const { of } of few) {
      expect(made.has(of), of).toBe(true);
      expect(paper.marks.get(of)?.paper ?? paper.lines.get(of)?.paper ?? 'picture').toBe('picture');
    }
    const words = wordsOf(at(pagesOf(project, 'underlay', { underlay: 10 }), 0))
      .map(({ text }) => text)
      .join(' ');
    expect(words).toContain(`drawn up to step 10 of ${plan.steps.length}; go on with 11, ${at(plan.steps, 10).title}`);
  });
  it.each(ORDERS)('%s: the overview counts as the plan does, by what one does and by parts', (order) => {
    const { plans } = planned(project);
    const { counts, steps } = plans[order];
    const pages = pagesOf(project, 'overview', { order });
    const rows = new Map<number, Word[]>();
    pages.forEach((page, i) => {
      for (const word of wordsOf(page)) {
        const key = i * 10_000 + Math.round(page.height - word.y);
        rows.set(key, [...(rows.get(key) ?? []), word]);
      }
    });
    const tables: string[][][] = [];
    for (const [, row] of [...rows].sort((a, b) => a[0] - b[0])) {
      const texts = [...row].sort((a, b) => a.x - b.x).map(({ text }) => text);
      if (texts.includes('moves') && texts.includes('marks')) tables.push([]);
      else if (texts.length === 6 && tables.length > 0) tables.at(-1)?.push(texts);
    }
    // A table that runs on to another page has its head twice.
    const sums = (all: readonly (readonly string[])[]) =>
      [1, 2, 3, 4].map((i) => all.reduce((sum, row) => sum + Number(row[i]), 0));
    const whole = sums(tables.flat()).map((sum) => sum / 2);
    expect(whole).toEqual([steps.length, counts.moves, counts.marks, counts.lines]);
    const said = pages.flatMap((page) => wordsOf(page).map(({ text }) => text)).join(' ');
    for (const tool of ['the plan sheet', 'strips of paper', 'a scale rule for 1:20', 'a straightedge of 1 000'])
      expect(said.replace(/\s+/g, ' ')).toContain(tool);
  });
  it('a print of all that the plan makes has all its pages, in the order of the list', () => {
    const parts = ['marks', 'cards', 'underlay', 'plan', 'overview'] as const;
    const job = { viewId: view.id, parts, paper: 'sheet', correction: NO_CORRECTION } as const;
    const made = drain(printPages(project, { ...job, plan: { cards: { paper: 'A5', perPage: 4 } } }));
    if (!made.ok) throw new Error(made.error.message);
    const kinds = made.value.map(({ title }) => title.split(' of ')[0]);
    expect([...new Set(kinds)]).toEqual(['Overview', 'Plan', 'Underlay', 'Step cards', 'Marks']);
    const cards = pagesOf(project, 'cards', { cards: { paper: 'A5', perPage: 4 } });
    expect(kinds.filter((kind) => kind === 'Step cards')).toHaveLength(cards.length);
  });
  it.each(ORDERS)(
    '%s: every page of the plan says for which order its names are: in the other they are others',
    (order) => {
      const words = order === 'by-piece' ? 'by piece' : 'by pass';
      for (const part of ['plan', 'underlay', 'overview', 'marks', 'cards'] as const)
        for (const page of pagesOf(project, part, { order }))
          expect(
            wordsOf(page).some(({ text }) => text.includes(words)),
            page.title,
          ).toBe(true);
    },
  );
  it('everything that can be printed is one of the list, each once', () =>
    expect(new Set(PRINT_PARTS).size).toBe(PRINT_PARTS.length));
});
