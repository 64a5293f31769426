import { cards } from './cards';
import { grid } from './grid';
import { marks } from './marks';
import { overview } from './overview';
import { picture } from './picture';
import { plan } from './plan';
import type { Printed, PrintPart } from './printed';
import { setOut } from './set-out';
import { table } from './table';
import { underlay } from './underlay';

export type { Printed, PlanPrint, PrintError, PrintGiven, PrintPart } from './printed';
export { CARD_PAPER_NAMES, cardPaper } from './papers';

/** Everything that can be printed, one line each, in the order in which it is printed. */
export const PRINTED: readonly Printed[] = [overview, table, setOut, grid, plan, underlay, cards, marks, picture];
export const PRINT_PARTS: readonly PrintPart[] = PRINTED.map(({ part }) => part);
