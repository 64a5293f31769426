import type { Sheet } from '@/interface/frame';
import { layers } from './LayersSheet';
import { print } from './PrintSheet';
import { table } from './TableSheet';
import { tape } from './TapeSheet';
import type { Seen } from './use-at-board';

/** Sheets that can be laid over the board in each of its stages, in the order of their buttons. */
export const BOARD_SHEETS: readonly Sheet<Seen>[] = [table, layers, tape, print];
