import { ViewsSheet } from '@/interface/views';
import { Help } from './Help';
import { COMMON_KEYS } from './key';
import type { Sheet } from './sheet';

export const help: Sheet<unknown> = { button: null, key: COMMON_KEYS.help, changes: false, Dialog: Help };
export const views: Sheet<unknown> = { button: null, key: COMMON_KEYS.views, changes: false, Dialog: ViewsSheet };

/** Sheets that can be laid over the paper of every stage. */
export const COMMON_SHEETS: readonly Sheet<unknown>[] = [help, views];
