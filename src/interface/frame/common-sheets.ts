import { ViewsSheet } from '@/interface/views';
import { StatesSheet } from '@/interface/states';
import { Help } from './Help';
import { COMMON_KEYS } from './key';
import type { Sheet } from './sheet';

export const help: Sheet<unknown> = { button: null, key: COMMON_KEYS.help, changes: false, Dialog: Help };
export const views: Sheet<unknown> = { button: null, key: COMMON_KEYS.views, changes: false, Dialog: ViewsSheet };

export const states: Sheet<unknown> = {
  button: null,
  takesAway: 'a kept state of the project, or back to one',
  key: COMMON_KEYS.states,
  changes: false,
  Dialog: StatesSheet,
};

/** Sheets that can be laid over the paper of every stage. */
export const COMMON_SHEETS: readonly Sheet<unknown>[] = [help, views, states];
