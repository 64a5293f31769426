import { err, invariant, ok, type Result } from '@/core/base';
import { ORDINARY_PACE } from '@/core/construction';
import { corrected, tilePages, tilesOf, type Correction, type Drawing, type PageSize } from '@/core/drawing';
import { lengthStyleOf, MOST_MADE, type Id, type Project } from '@/core/record';
import { seenIn, SHEET_SIZES, standOf } from '@/core/view';
import { sceneOf, type Scene } from './perspective';
import { PRINTED, type PlanPrint, type PrintError, type PrintPart } from './printed';
import { planningView, type PlannedView } from './whole-draft';

export interface PrintJob {
  readonly viewId: Id;
  readonly parts: readonly PrintPart[];
  /** `sheet`: pages of the sheet's own size; else the name of the printer's paper, over which larger sheets are tiled. */
  readonly paper: 'sheet' | string;
  readonly correction: Correction;
  /** How pages of the plan are made; as usual where left out. */
  readonly plan?: Partial<PlanPrint>;
}

/** A plan's pages as they are made where nothing else is said; cards on the printer's own paper. */
const USUAL_PLAN: Omit<PlanPrint, 'cards'> = { order: 'by-piece', pace: ORDINARY_PACE, underlay: 20 };
/** Planning takes about so much of the time, where it is wanted. */
const SHARE = 0.95;

/** Paper the table is printed on where the sheets keep their own size. */
const tablePaper = (project: Project): PageSize =>
  project.units === 'imperial'
    ? { name: 'letter', width: 215.9, height: 279.4 }
    : { name: 'A4', width: 210, height: 297 };

/** The printer's paper by name, upright. */
export function printerPaper(name: string): PageSize | null {
  const size = SHEET_SIZES.find((one) => one.name === name);
  return size ? { name, width: size.short, height: size.long } : null;
}

/**
 * The pages of a print, in page mm. A generator as every computation that may take long: worker, route handler and tests drain the same one;
 * it yields how much is done, 0 to 1.
 */
export function* printPages(whole: Project, job: PrintJob): Generator<number, Result<readonly Drawing[], PrintError>> {
  const view = whole.views.find((one) => one.id === job.viewId);
  if (!view)
    return err({
      reason: 'unknown-view',
      message: `The project has no view “${job.viewId}”. It has: ${whole.views.map((one) => one.id).join(', ')}.`,
    });
  const project = seenIn(whole, view);
  if (job.parts.length === 0) return err({ reason: 'nothing', message: 'Choose at least one thing to print.' });
  const tile = job.paper === 'sheet' ? null : printerPaper(job.paper);
  if (job.paper !== 'sheet' && !tile)
    return err({ reason: 'unknown-paper', message: `“${job.paper}” is no paper this knows. Use sheet, A4 or letter.` });
  const printed = PRINTED.filter(({ part }) => job.parts.includes(part));
  for (const { lacks } of printed) {
    const lack = lacks(project, view);
    if (lack) return err(lack);
  }
  const tooMany = (pages: number, of: string, most: number): PrintError => ({
    reason: 'too-many-pages',
    message: `That would be ${pages} pages of ${of}; more than ${most} are not made at once. Print fewer things, more cards on a page, or on the sheet’s own paper.`,
  });
  const cut = tile ? tilesOf(view.sheet, tile).length * printed.filter(({ size }) => size === 'true').length : 0;
  if (tile && cut > MOST_MADE.pages) return err(tooMany(cut, tile.name, MOST_MADE.pages));
  const stand = standOf(project, view);
  if (!stand.ok) return err({ reason: 'cannot-stand', message: `${view.name}: ${stand.error.message}` });
  const page = tile ?? tablePaper(project);
  let scene: Scene | null = null;
  let planned: PlannedView | null = null;
  const given = {
    ...{ project, view, stand: stand.value, style: lengthStyleOf(project), page },
    ways: { ...USUAL_PLAN, cards: { paper: page.name, perPage: 2 as const }, ...job.plan },
    scene: (): Scene => (scene ??= sceneOf(project)),
    *planned(): Generator<number, PlannedView> {
      if (planned) return planned;
      const made = yield* planningView(whole, view);
      invariant(made.ok, 'a view that stands can be planned');
      planned = made.value;
      return planned;
    },
  };
  const pages: Drawing[] = [];
  for (const [i, { size, pages: make }] of printed.entries()) {
    const made = yield* within(make(given), (SHARE * i) / printed.length, SHARE / printed.length);
    for (const drawing of made)
      for (const one of size === 'true' && tile ? tilePages(drawing, tile) : [drawing])
        pages.push(corrected(one, job.correction));
    if (size === 'the-paper' && made.length > MOST_MADE.listed)
      return err(tooMany(made.length, tile?.name ?? 'paper', MOST_MADE.listed));
  }
  return ok(pages);
}

/** A part of a longer work, with its progress as a part of the whole. */
function* within<T>(steps: Generator<number, T>, from: number, share: number): Generator<number, T> {
  let step = steps.next();
  for (; !step.done; step = steps.next()) yield from + share * step.value;
  yield from + share;
  return step.value;
}
