import type { PageSize } from '@/core/drawing';

/** Paper that step cards are printed on, upright, mm. */
const A4: PageSize = { name: 'A4', width: 210, height: 297 };
const CARD_PAPERS: readonly PageSize[] = [
  { name: 'A5', width: 148, height: 210 },
  A4,
  { name: 'letter', width: 215.9, height: 279.4 },
];
export const CARD_PAPER_NAMES: readonly string[] = CARD_PAPERS.map(({ name }) => name);

/** The paper of that name; A4 where there is none. */
export const cardPaper = (name: string): PageSize => CARD_PAPERS.find((one) => one.name === name) ?? A4;
