import { err, ok, type Result } from '@/core/base';
import { lengthStyleOf, MOST_MADE, type Id, type Project } from '@/core/record';
import { formatScale } from '@/core/units';
import { seenIn, SHEET_SIZES, standOf } from '@/core/view';
import { visibleLinesExact } from '@/core/visibility';
import {
  controlLayer,
  corrected,
  gridLayer,
  paperLayer,
  setOutDrawing,
  tablePages,
  tilePages,
  tilesOf,
  type Correction,
  type Drawing,
  type PageSize,
} from '@/core/drawing';
import { sceneOf, sheetOf } from './perspective';

/** What can be printed: the table with the board, the set-out at true size, the grid to lay under, the picture itself. */
export type PrintPart = 'table' | 'set-out' | 'grid' | 'picture';
export const PRINT_PARTS: readonly PrintPart[] = ['table', 'set-out', 'grid', 'picture'];

export interface PrintJob {
  readonly viewId: Id;
  readonly parts: readonly PrintPart[];
  /** `sheet`: pages of the sheet's own size; else the name of the printer's paper, over which larger sheets are tiled. */
  readonly paper: 'sheet' | string;
  readonly correction: Correction;
}

export interface PrintError {
  readonly reason: 'unknown-view' | 'cannot-stand' | 'no-grid' | 'nothing' | 'unknown-paper' | 'too-many-pages';
  readonly message: string;
}

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
  if (job.parts.includes('grid') && !view.grid)
    return err({ reason: 'no-grid', message: `${view.name} has no grid yet. Choose its unit first.` });
  const cut = tile ? tilesOf(view.sheet, tile).length * job.parts.filter((part) => part !== 'table').length : 0;
  if (tile && cut > MOST_MADE.pages)
    return err({
      reason: 'too-many-pages',
      message: `That would be ${cut} pages of ${tile.name}; more than ${MOST_MADE.pages} are not made at once. Print fewer things, or on the sheet’s own paper.`,
    });
  const stand = standOf(project, view);
  if (!stand.ok) return err({ reason: 'cannot-stand', message: `${view.name}: ${stand.error.message}` });
  const style = lengthStyleOf(project);
  const pages: Drawing[] = [];
  const add = (drawing: Drawing): void => {
    for (const page of tile ? tilePages(drawing, tile) : [drawing]) pages.push(corrected(page, job.correction));
  };
  if (job.parts.includes('table'))
    for (const page of tablePages(project, view, stand.value, style, tile ?? tablePaper(project)))
      pages.push(corrected(page, job.correction));
  yield 0.05;
  if (job.parts.includes('set-out')) add(setOutDrawing(project, view, stand.value, style));
  yield 0.1;
  if (job.parts.includes('grid') || job.parts.includes('picture')) {
    const scene = sceneOf(project);
    yield 0.15;
    if (job.parts.includes('grid')) {
      const unit = view.grid?.unit.asTyped ?? '';
      add({
        title: `${project.name}: grid of ${view.name}`,
        width: view.sheet.width,
        height: view.sheet.height,
        layers: [
          paperLayer(view),
          gridLayer(project, view, stand.value.setUp, scene.bodies),
          controlLayer(
            view,
            `${project.name} · ${view.name} · grid of ${unit}, numbers along, letters away and up · ${formatScale(view.scaleDenominator, project.units)}`,
          ),
        ],
      });
    }
    yield 0.3;
    if (job.parts.includes('picture')) {
      const steps = visibleLinesExact(scene.prepared, stand.value.setUp, view.frame);
      let step = steps.next();
      while (!step.done) {
        yield 0.3 + 0.6 * step.value;
        step = steps.next();
      }
      const pieceId = project.plans.find((plan) => plan.viewId === view.id)?.pieceId ?? null;
      add(sheetOf(project, view, scene, stand.value, step.value, pieceId));
    }
  }
  yield 0.95;
  return ok(pages);
}
