import type { CardsPerPage, Drawing, PageSize } from '@/core/drawing';
import { ORDER_WORDS, type Order, type Pace } from '@/core/construction';
import type { Project, View } from '@/core/record';
import type { LengthStyle } from '@/core/units';
import type { Stand } from '@/core/view';
import type { Scene } from '../perspective';
import type { PlannedView } from '../whole-draft';

/** What can be printed. */
export type PrintPart = 'table' | 'set-out' | 'grid' | 'picture' | 'plan' | 'underlay' | 'cards' | 'marks' | 'overview';

export interface PrintError {
  readonly reason:
    'unknown-view' | 'cannot-stand' | 'no-grid' | 'no-plan' | 'nothing' | 'unknown-paper' | 'too-many-pages';
  readonly message: string;
}

/** How the plan's pages are made. */
export interface PlanPrint {
  readonly order: Order;
  readonly pace: Pace;
  /** Step cards: their paper by name, and how many go on one page. */
  readonly cards: { readonly paper: string; readonly perPage: CardsPerPage };
  /** So many passes are on an underlay, with the set-out. */
  readonly underlay: number;
}

/** All that pages are made from. */
export interface PrintGiven {
  readonly project: Project;
  readonly view: View;
  readonly stand: Stand;
  readonly style: LengthStyle;
  /** Printer's paper that lists are laid out on. */
  readonly page: PageSize;
  readonly ways: PlanPrint;
  /** Made once, when first asked for. */
  readonly scene: () => Scene;
  /** The same; how much of it is done, 0 to 1. */
  readonly planned: () => Generator<number, PlannedView>;
}

/** Something that can be printed: one file for each, and one line in the index. */
export interface Printed {
  readonly part: PrintPart;
  /** As the list says it. */
  readonly words: string;
  /** At true size, on sheets of its own that are cut into tiles; or laid out on the printer's paper. */
  readonly size: 'true' | 'the-paper';
  /** Why a view has none; null where it has. */
  readonly lacks: (project: Project, view: View) => PrintError | null;
  readonly pages: (given: PrintGiven) => Generator<number, readonly Drawing[]>;
}

export const lacksNothing = (): null => null;

/** The same with the order of the plan: in the other its marks have other names. */
export const headedByOrder = (given: Pick<PrintGiven, 'project' | 'view' | 'ways'>): string =>
  `${headed(given)}, ${ORDER_WORDS[given.ways.order]}`;

/** Project and view, as pages are headed. */
export const headed = ({ project, view }: Pick<PrintGiven, 'project' | 'view'>): string =>
  `${project.name}: ${view.name}`;
