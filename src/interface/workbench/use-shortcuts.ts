'use client';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Stage } from '@/interface/services';

export interface ShortcutActions {
  readonly undo: () => void;
  readonly redo: () => void;
  readonly fit: () => void;
  readonly equalise: () => void;
  readonly nextCorner: () => void;
  readonly previousCorner: () => void;
  readonly nextEdge: () => void;
  readonly previousEdge: () => void;
  readonly nextPiece: () => void;
  readonly previousPiece: () => void;
  readonly stand: () => void;
  readonly draw: () => void;
  readonly setOut: () => void;
  readonly help: () => void;
  readonly layAside: () => void;
  readonly nextStep: () => unknown;
  readonly previousStep: () => unknown;
  readonly firstStep: () => unknown;
  readonly lastStep: () => unknown;
}

/** Single letters, listed under `?`. None of them works while one types in a field. */
export const SHORTCUTS: readonly {
  readonly keys: string;
  readonly shown: string;
  readonly does: string;
  readonly action: keyof ShortcutActions;
  readonly stage?: Stage;
}[] = [
  { keys: 'z, ctrl+z, meta+z', shown: 'Z', does: 'undo', action: 'undo' },
  { keys: 'y, ctrl+y, ctrl+shift+z, meta+shift+z', shown: 'Y', does: 'redo', action: 'redo' },
  { keys: 'c', shown: 'C', does: 'next corner, shown and spoken', action: 'nextCorner' },
  { keys: 'shift+c', shown: 'Shift C', does: 'corner before', action: 'previousCorner' },
  { keys: 'e', shown: 'E', does: 'next edge, shown and spoken', action: 'nextEdge' },
  { keys: 'shift+e', shown: 'Shift E', does: 'edge before', action: 'previousEdge' },
  { keys: 'p', shown: 'P', does: 'choose the next piece', action: 'nextPiece' },
  { keys: 'shift+p', shown: 'Shift P', does: 'choose the piece before', action: 'previousPiece' },
  { keys: 'f', shown: 'F', does: 'fit plan, side view and picture to the paper', action: 'fit' },
  {
    keys: '=, shift+=',
    shown: '=',
    does: 'the same magnification in all three: drops run straight',
    action: 'equalise',
    stage: 'stand',
  },
  { keys: 's', shown: 'S', does: 'go to Stand', action: 'stand' },
  { keys: 'd', shown: 'D', does: 'go to Draw', action: 'draw' },
  { keys: 't', shown: 'T', does: 'set-out table', action: 'setOut' },
  { keys: 'arrowright, space', shown: '→ or Space', does: 'next step', action: 'nextStep', stage: 'draw' },
  { keys: 'arrowleft', shown: '←', does: 'step before', action: 'previousStep', stage: 'draw' },
  { keys: 'home', shown: 'Home', does: 'first step', action: 'firstStep', stage: 'draw' },
  { keys: 'end', shown: 'End', does: 'last step', action: 'lastStep', stage: 'draw' },
  { keys: '?, shift+?', shown: '?', does: 'keys and terms', action: 'help' },
  { keys: 'escape', shown: 'Esc', does: 'give up a drag, lay a sheet aside', action: 'layAside' },
];

/** Keys told by their place, not by what they write: they have no letter. The rest follow the keyboard's own layout. */
const BY_PLACE = new Set(['arrowright', 'arrowleft', 'space', 'home', 'end', 'escape']);
const ALL = SHORTCUTS.flatMap((one) => one.keys.split(', '));
const LETTERS = ALL.filter((key) => !BY_PLACE.has(key)).join(', ');
const PLACES = ALL.filter((key) => BY_PLACE.has(key)).join(', ');

export function useShortcuts(actions: ShortcutActions, stage: Stage): void {
  const act = (
    event: KeyboardEvent,
    hotkey: {
      readonly ctrl?: boolean;
      readonly meta?: boolean;
      readonly shift?: boolean;
      readonly keys?: readonly string[];
    },
  ): void => {
    const modifiers = (['ctrl', 'meta', 'shift'] as const).filter((one) => hotkey[one]);
    const name = [...modifiers, ...(hotkey.keys ?? [])].join('+');
    const onButton =
      event.target instanceof HTMLElement &&
      (event.target.tagName === 'BUTTON' || event.target.getAttribute('role') === 'menuitem');
    // Space on a button presses the button.
    if (onButton && name === 'space') return;
    const shortcut = SHORTCUTS.find(
      (one) => one.keys.split(', ').includes(name) && (one.stage === undefined || one.stage === stage),
    );
    if (!shortcut) return;
    event.preventDefault();
    actions[shortcut.action]();
  };
  // A handle is a slider to a screen reader; letters work while it has the focus.
  useHotkeys(LETTERS, act, { useKey: true, enableOnFormTags: ['slider'] });
  useHotkeys(PLACES, act, { enableOnFormTags: ['slider'] });
}
