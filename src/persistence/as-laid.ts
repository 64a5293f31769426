import { ORDERS } from '@/core/construction';
import type { LayerLaid, LayersLaid } from '@/core/drawing';
import { soundChanges } from '@/core/formats/changes';
import { readFrozen, type FrozenPlan } from '@/core/formats/frozen';
import { readProjectInSteps } from '@/core/formats/project';
import type { Id, Project } from '@/core/record';
import { soundDesk, startHistory, type Desk, type Work } from '@/state';

/** How projects lie in the database: their addresses, and values that are trusted only after they have been read. */

/** The one small value that says which snapshot holds: flipped last. */
export interface Pointer {
  readonly current: number;
  readonly kept: readonly number[];
  readonly name: string;
  readonly savedAt: string;
  /** Number of the save by which the project itself last became another; the desk does not count. */
  readonly changedIn: number;
  /** States kept by hand and the last of each day, eldest first. */
  readonly states: readonly KeptState[];
  /** Counts up whenever a tab takes the right to write: whose number is less has lost it, and flips nothing any more. */
  readonly writer: number;
}

/** A state of a project that is kept apart from its saves. */
export interface KeptState {
  readonly number: number;
  /** By hand, under a name, or the last of a day. */
  readonly by: 'hand' | 'day';
  readonly name: string;
  /** ISO date and time. */
  readonly keptAt: string;
}
/** As it lies in the database, with all that says what it is. */
export interface StateLaid extends KeptState {
  readonly project: Project;
}

export const pointerKey = (id: Id): string => `project/${id}/pointer`;
/** The project whose pointer lies at an address of the database; null for another address. An id may hold anything, slashes too. */
export const projectAt = (address: string): Id | null => /^project\/(.+)\/pointer$/s.exec(address)?.[1] ?? null;
export const pictureKey = (id: Id): string => `project/${id}/picture`;
export const snapshotKey = (id: Id, number: number): string => `project/${id}/snapshot/${number}`;
export const stateKey = (id: Id, number: number): string => `project/${id}/state/${number}`;

/** The number of a project's snapshot, or of a kept state, that lies at an address of the database; null for another address, another project's too. */
export function numberAt(id: Id, what: 'snapshot' | 'state', address: string): number | null {
  const found = /^project\/(.+)\/(snapshot|state)\/(\d+)$/s.exec(address);
  return found?.[1] === id && found[2] === what ? Number(found[3]) : null;
}

/** The day of a time on this machine's calendar, YYYY-MM-DD. */
export const dayOf = (time: Date): string =>
  [time.getFullYear(), time.getMonth() + 1, time.getDate()].map((part) => String(part).padStart(2, '0')).join('-');

export function readState(value: unknown): KeptState | null {
  if (typeof value !== 'object' || value === null) return null;
  const { number, by, name, keptAt } = value as Partial<KeptState>;
  if (typeof number !== 'number' || (by !== 'hand' && by !== 'day')) return null;
  return typeof name === 'string' && typeof keptAt === 'string' ? { number, by, name, keptAt } : null;
}

export function readPointer(value: unknown): Pointer | null {
  if (typeof value !== 'object' || value === null) return null;
  const { current, kept, name, savedAt, writer, changedIn, states } = value as Partial<Pointer>;
  if (typeof current !== 'number' || !Array.isArray(kept) || typeof name !== 'string' || typeof savedAt !== 'string')
    return null;
  return {
    ...{ current, name, savedAt },
    kept: kept.filter((one): one is number => typeof one === 'number'),
    writer: typeof writer === 'number' ? writer : 0,
    changedIn: typeof changedIn === 'number' ? changedIn : current,
    states: Array.isArray(states) ? states.map(readState).filter((one) => one !== null) : [],
  };
}

export const nextNumber = (states: readonly KeptState[]): number => Math.max(0, ...states.map((one) => one.number)) + 1;

/** The entries of a kept history, each state brought up to date as a file is; null when one of them cannot be read. */
function* entriesOf(entries: unknown, sound: WeakSet<object>): Generator<number, Work['history']['past'] | null> {
  if (!Array.isArray(entries)) return null;
  const read: Work['history']['past'][number][] = [];
  for (const one of entries as Work['history']['past']) {
    const state = yield* readProjectInSteps(one?.state, sound);
    if (!state.ok) return null;
    read.push({ ...one, state: state.value, changes: soundChanges(one.changes) });
    yield read.length / entries.length;
  }
  return read;
}

const soundLayers = (layers: object): LayersLaid =>
  Object.fromEntries(
    Object.entries(layers as Record<string, Partial<LayerLaid> | null>).flatMap(([id, laid]) =>
      laid && ['on', 'dimmed', 'off'].includes(laid.show ?? '')
        ? [[id, { show: laid.show ?? 'on', locked: laid.locked === true }]]
        : [],
    ),
  );

/** Ticks of each view that are lists of names. */
const soundTicks = (done: object): NonNullable<Desk['done']> =>
  Object.fromEntries(
    Object.entries(done).map(([viewId, strokes]): [string, readonly string[]] => [
      viewId,
      Array.isArray(strokes) ? strokes.filter((one) => typeof one === 'string') : [],
    ]),
  );

const texts = new WeakMap<FrozenPlan, string>();
function textOf(plan: FrozenPlan): string {
  const text = texts.get(plan) ?? JSON.stringify(plan);
  texts.set(plan, text);
  return text;
}

/**
 * Work as it lies in the database. Frozen plans hold thousands of strokes and never change: as text, made once, they cost a save nothing, where as values
 * they would be gone through at every one.
 */
export function laidWork({ history, desk }: Work): unknown {
  const { frozen } = desk;
  if (!frozen) return { history, desk };
  const laid = Object.entries(frozen).map(([viewId, plans]) => [viewId, plans.map(textOf)] as const);
  return { history, desk: { ...desk, frozen: Object.fromEntries(laid) } };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Frozen plans of each view that can be read. */
const soundFrozen = (frozen: object): NonNullable<Desk['frozen']> =>
  Object.fromEntries(
    Object.entries(frozen).map(([viewId, plans]): [string, readonly FrozenPlan[]] => [
      viewId,
      Array.isArray(plans)
        ? plans.map((one) => readFrozen(typeof one === 'string' ? parsed(one) : one)).filter((one) => one !== null)
        : [],
    ]),
  );

/** The desk of a project as it was kept: what cannot be read of it is left out. */
function readDesk(project: Project, desk: Partial<Desk> | null | undefined): Desk {
  return soundDesk(project, {
    viewId: typeof desk?.viewId === 'string' ? desk.viewId : '',
    steps: typeof desk?.steps === 'object' && desk.steps !== null ? desk.steps : {},
    ...(typeof desk?.layers === 'object' && desk.layers !== null ? { layers: soundLayers(desk.layers) } : {}),
    ...ORDERS.filter((one) => one === desk?.order).reduce((_, order) => ({ order }), {}),
    ...(typeof desk?.done === 'object' && desk.done !== null ? { done: soundTicks(desk.done) } : {}),
    ...(typeof desk?.frozen === 'object' && desk.frozen !== null ? { frozen: soundFrozen(desk.frozen) } : {}),
  });
}

/** A project with its desk as it comes from a backup, without a history. */
export const soundWork = (project: Project, desk: unknown): Work => ({
  history: startHistory(project),
  desk: readDesk(project, typeof desk === 'object' ? desk : null),
});

/** A snapshot is trusted only after its project has been read as a file is; a history that cannot be read is dropped, the project not. */
export function* readSnapshotInSteps(value: unknown): Generator<number, Work | null> {
  if (typeof value !== 'object' || value === null || !('history' in value)) return null;
  const { history, desk } = value as { history?: Partial<Work['history']>; desk?: Partial<Desk> };
  // States share most of their pieces: each is read once.
  const sound = new WeakSet();
  const project = yield* readProjectInSteps(history?.present, sound);
  if (!project.ok) return null;
  const past = yield* entriesOf(history?.past, sound);
  const future = yield* entriesOf(history?.future, sound);
  return {
    history: past && future ? { past, present: project.value, future } : startHistory(project.value),
    desk: readDesk(project.value, desk),
  };
}
