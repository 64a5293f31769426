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
  readonly setOutStage: () => void;
  readonly setOut: () => void;
  readonly reach: () => void;
  readonly report: () => void;
  readonly byEye: () => void;
  readonly print: () => void;
  readonly findPlace: () => void;
  readonly layers: () => void;
  readonly tape: () => void;
  readonly grid: () => void;
  readonly trueSize: () => void;
  readonly help: () => void;
  readonly layAside: () => void;
  readonly nextStep: () => unknown;
  readonly previousStep: () => unknown;
  readonly firstStep: () => unknown;
  readonly lastStep: () => unknown;
  readonly measure: () => void;
  readonly templates: () => void;
  readonly walls: () => void;
  readonly sizes: () => void;
  readonly outline: () => void;
  readonly nextThing: () => void;
  readonly previousThing: () => void;
  readonly turnSide: () => void;
  readonly takeOut: () => void;
  readonly copy: () => void;
  readonly paste: () => void;
  readonly duplicate: () => void;
  readonly repeat: () => void;
  readonly mirror: () => void;
  readonly align: () => void;
  readonly chooseToo: () => void;
}

const ON_BOARD: readonly Stage[] = ['stand', 'set-out', 'draw'];

/** Single letters, listed under `?`. None of them works while one types in a field. */
export const SHORTCUTS: readonly {
  readonly keys: string;
  readonly shown: string;
  readonly does: string;
  readonly action: keyof ShortcutActions;
  readonly stages?: readonly Stage[];
}[] = [
  { keys: 'z, ctrl+z, meta+z', shown: 'Z', does: 'undo', action: 'undo' },
  { keys: 'y, ctrl+y, ctrl+shift+z, meta+shift+z', shown: 'Y', does: 'redo', action: 'redo' },
  { keys: 'c', shown: 'C', does: 'next corner, shown and spoken', action: 'nextCorner', stages: ON_BOARD },
  { keys: 'shift+c', shown: 'Shift C', does: 'corner before', action: 'previousCorner', stages: ON_BOARD },
  { keys: 'e', shown: 'E', does: 'next edge, shown and spoken', action: 'nextEdge', stages: ON_BOARD },
  { keys: 'shift+e', shown: 'Shift E', does: 'edge before', action: 'previousEdge', stages: ON_BOARD },
  { keys: 'p', shown: 'P', does: 'choose the next piece', action: 'nextPiece' },
  { keys: 'shift+p', shown: 'Shift P', does: 'choose the piece before', action: 'previousPiece' },
  { keys: 'f', shown: 'F', does: 'fit the drawing to the paper; in Set out the board, then the sheet', action: 'fit' },
  {
    keys: '=, shift+=',
    shown: '=',
    does: 'the same magnification in all three: drops run straight',
    action: 'equalise',
    stages: ['stand'],
  },
  { keys: '1', shown: '1', does: 'the sheet at true size on this screen', action: 'trueSize', stages: ON_BOARD },
  { keys: 's', shown: 'S', does: 'go to Stand', action: 'stand' },
  { keys: 'b', shown: 'B', does: 'go to Set out, the board', action: 'setOutStage' },
  { keys: 'd', shown: 'D', does: 'go to Draw', action: 'draw' },
  { keys: 'm', shown: 'M', does: 'go to Measure', action: 'measure' },
  { keys: 't', shown: 'T', does: 'set-out table', action: 'setOut', stages: ON_BOARD },
  { keys: 'r', shown: 'R', does: 'what the board and the ruler reach', action: 'reach', stages: ['set-out'] },
  { keys: 'a', shown: 'A', does: 'angle and stretch of every piece', action: 'report', stages: ['set-out'] },
  { keys: 'j', shown: 'J', does: 'an interval judged by eye', action: 'byEye', stages: ['set-out'] },
  { keys: 'g', shown: 'G', does: 'lay a grid, or take it off', action: 'grid', stages: ['set-out'] },
  { keys: 'n', shown: 'N', does: 'find a place to stand', action: 'findPlace', stages: ['stand'] },
  { keys: 'l', shown: 'L', does: 'layers, as sheets of tracing paper', action: 'layers', stages: ON_BOARD },
  { keys: 'x', shown: 'X', does: 'measure between two points of the picture', action: 'tape', stages: ON_BOARD },
  { keys: 'i', shown: 'I', does: 'print', action: 'print', stages: ON_BOARD },
  { keys: 't', shown: 'T', does: 'pull up the template sheet', action: 'templates', stages: ['measure'] },
  { keys: 'w', shown: 'W', does: 'type the walls of a room', action: 'walls', stages: ['measure'] },
  { keys: 'l', shown: 'L', does: 'list of all sizes', action: 'sizes', stages: ['measure'] },
  { keys: 'o', shown: 'O', does: 'cut the outlines of a block', action: 'outline', stages: ['measure'] },
  { keys: 'n', shown: 'N', does: 'choose the next wall, opening or piece', action: 'nextThing', stages: ['measure'] },
  { keys: 'shift+n', shown: 'Shift N', does: 'the one before', action: 'previousThing', stages: ['measure'] },
  { keys: 'v', shown: 'V', does: 'a piece from the front or from its side', action: 'turnSide', stages: ['measure'] },
  { keys: 'ctrl+c, meta+c', shown: 'Ctrl C', does: 'copy what is chosen', action: 'copy', stages: ['measure'] },
  { keys: 'ctrl+v, meta+v', shown: 'Ctrl V', does: 'paste it', action: 'paste', stages: ['measure'] },
  { keys: 'u', shown: 'U', does: 'duplicate what is chosen', action: 'duplicate', stages: ['measure'] },
  { keys: 'r', shown: 'R', does: 'repeat it in a row', action: 'repeat', stages: ['measure'] },
  { keys: 'x', shown: 'X', does: 'mirror it', action: 'mirror', stages: ['measure'] },
  { keys: 'k', shown: 'K', does: 'choose the next piece as well', action: 'chooseToo', stages: ['measure'] },
  { keys: 'a', shown: 'A', does: 'align the chosen pieces with the first', action: 'align', stages: ['measure'] },
  { keys: 'delete, backspace', shown: 'Del', does: 'take out what is chosen', action: 'takeOut', stages: ['measure'] },
  { keys: 'arrowright, space', shown: '→ or Space', does: 'next step', action: 'nextStep', stages: ['draw'] },
  { keys: 'arrowleft', shown: '←', does: 'step before', action: 'previousStep', stages: ['draw'] },
  { keys: 'home', shown: 'Home', does: 'first step', action: 'firstStep', stages: ['draw'] },
  { keys: 'end', shown: 'End', does: 'last step', action: 'lastStep', stages: ['draw'] },
  { keys: '?, shift+?', shown: '?', does: 'keys and terms', action: 'help' },
  { keys: 'escape', shown: 'Esc', does: 'give up a drag, lay a sheet aside', action: 'layAside' },
];

/** Keys told by their place, not by what they write: they have no letter. The rest follow the keyboard's own layout. */
const BY_PLACE = new Set(['arrowright', 'arrowleft', 'space', 'home', 'end', 'escape', 'delete', 'backspace']);
const ALL = [...new Set(SHORTCUTS.flatMap((one) => one.keys.split(', ')))];
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
      (one) => one.keys.split(', ').includes(name) && (one.stages === undefined || one.stages.includes(stage)),
    );
    if (!shortcut) return;
    event.preventDefault();
    actions[shortcut.action]();
  };
  // A handle is a slider to a screen reader; letters work while it has the focus.
  useHotkeys(LETTERS, act, { useKey: true, enableOnFormTags: ['slider'] });
  useHotkeys(PLACES, act, { enableOnFormTags: ['slider'] });
}
