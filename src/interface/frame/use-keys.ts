'use client';
import { useHotkeys } from 'react-hotkeys-hook';
import type { BoundKey } from './key';

/** Keys told by their place, not by what they write: they have no letter. The rest follow the keyboard's own layout. */
const BY_PLACE = new Set(['arrowright', 'arrowleft', 'space', 'home', 'end', 'escape', 'delete', 'backspace']);
const namesOf = ({ keys }: Pick<BoundKey, 'keys'>): readonly string[] => keys.split(', ');

/** Hears the keys of the moment. None of them works while one types in a field. */
export function useKeys(keys: readonly BoundKey[]): void {
  const names = [...new Set(keys.flatMap(namesOf))];
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
    const pressed = keys.find((one) => namesOf(one).includes(name));
    if (!pressed) return;
    event.preventDefault();
    pressed.act();
  };
  const letters = names.filter((key) => !BY_PLACE.has(key)).join(', ');
  const places = names.filter((key) => BY_PLACE.has(key)).join(', ');
  // A handle is a slider to a screen reader; letters work while it has the focus.
  useHotkeys(letters, act, { useKey: true, enableOnFormTags: ['slider'] });
  useHotkeys(places, act, { enableOnFormTags: ['slider'] });
}
