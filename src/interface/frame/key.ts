/** A key as it is told. */
export interface ShownKey {
  /** Names of the key, each with its modifiers: `ctrl+z, meta+z`. */
  readonly keys: string;
  readonly shown: string;
  readonly does: string;
}

/** A key with what it does to what a screen is given. */
export interface Key<in Given> extends ShownKey {
  readonly act: (given: Given) => void;
}

/** A key ready to be pressed. */
export interface BoundKey {
  readonly keys: string;
  readonly act: () => void;
}
export const bindKeys = <Given>(keys: readonly Key<Given>[], given: Given): readonly BoundKey[] =>
  keys.map((one) => ({ keys: one.keys, act: () => one.act(given) }));

/** Keys of every stage. */
export const COMMON_KEYS = {
  undo: { keys: 'z, ctrl+z, meta+z', shown: 'Z', does: 'undo' },
  redo: { keys: 'y, ctrl+y, ctrl+shift+z, meta+shift+z', shown: 'Y', does: 'redo' },
  views: { keys: 'h', shown: 'H', does: 'views of this project: add, copy, compare' },
  states: { keys: 'shift+h', shown: '⇧H', does: 'kept states: keep this one, go back to one' },
  help: { keys: '?, shift+?', shown: '?', does: 'keys and terms' },
  file: { keys: 'ctrl+s, meta+s', shown: 'Ctrl S', does: 'take the project file away' },
  layAside: { keys: 'escape', shown: 'Esc', does: 'give up a drag, lay a sheet aside' },
} as const satisfies Readonly<Record<string, ShownKey>>;
