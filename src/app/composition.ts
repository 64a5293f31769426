import type { Project } from '@/core/record';
import { openDatabase, ProjectStore, Unanswered, type KeyValue } from '@/persistence';
import { newWork } from '@/state';
import { BARE_DESK, type DeskTools } from '@/interface/services';
import type { PrintService } from '@/interface/services';
import type { PrintClient } from '@/workers';

const PREFERENCE_LOOK = 'preference/look';
const PREFERENCE_TOOLS = 'preference/tools';
const SEEDED = 'preference/demonstrations-taken-up';

/** A browser that has not opened its store by then does not answer. */
const OPENING_MS = 8000;
/** @throws Unanswered where nothing comes in time. */
export const answeredWithin = <T>(answer: Promise<T>, ms: number): Promise<T> =>
  new Promise((resolve, reject) => {
    const late = setTimeout(() => reject(new Unanswered()), ms);
    answer.then(resolve, reject).finally(() => clearTimeout(late));
  });

let database: Promise<KeyValue> | null = null;
/** One database for the whole application, opened at first need; a failed opening may be tried again. */
const opened = (): Promise<KeyValue> => {
  database ??= answeredWithin(openDatabase('bathyskop'), OPENING_MS).catch((error: unknown) => {
    database = null;
    throw error;
  });
  return database;
};

export const projectStore = async (): Promise<ProjectStore> => new ProjectStore(await opened(), () => new Date());
export const keptLook = async (): Promise<unknown> => (await opened()).get(PREFERENCE_LOOK);
export const keepLook = async (name: string): Promise<void> =>
  (await opened()).set(PREFERENCE_LOOK, name).catch(() => undefined);

const isFactor = (value: unknown): value is number => typeof value === 'number' && value > 0.5 && value < 2;

/** Printers and screen as they were kept; what cannot be read is left out, the rest is not lost. */
export function soundTools(value: unknown): DeskTools {
  if (typeof value !== 'object' || value === null) return BARE_DESK;
  const { printers, screen, pace } = value as {
    printers?: unknown;
    screen?: Partial<DeskTools['screen'] & object> | null;
    pace?: Partial<DeskTools['pace']> | null;
  };
  return {
    printers: (Array.isArray(printers) ? printers : []).filter(
      (one: { name?: unknown; correction?: { across?: unknown; down?: unknown } } | null) =>
        typeof one?.name === 'string' && isFactor(one.correction?.across) && isFactor(one.correction?.down),
    ) as DeskTools['printers'],
    screen:
      typeof screen?.pixelsPerMm === 'number' && screen.pixelsPerMm > 0 && typeof screen.ratio === 'number'
        ? { pixelsPerMm: screen.pixelsPerMm, ratio: screen.ratio }
        : null,
    pace: {
      move: paceOr(pace?.move, BARE_DESK.pace.move),
      mark: paceOr(pace?.mark, BARE_DESK.pace.mark),
      line: paceOr(pace?.line, BARE_DESK.pace.line),
    },
  };
}
const paceOr = (value: unknown, otherwise: number): number =>
  typeof value === 'number' && value > 0 && value <= 60 ? value : otherwise;
export const keptTools = async (): Promise<DeskTools> => soundTools(await (await opened()).get(PREFERENCE_TOOLS));
export const keepTools = async (tools: DeskTools): Promise<void> =>
  (await opened()).set(PREFERENCE_TOOLS, tools).catch(() => undefined);

const TAKEN_AWAY = 'preference/taken-away';
/** What of a project is elsewhere too: its save when a file of it was last taken away, and when that was, ISO. */
export interface TakenAway {
  readonly save: number;
  readonly at: string;
}

/** What has been taken away as a file, by project; what cannot be read counts as nothing. */
export async function takenAway(): Promise<Readonly<Record<string, TakenAway>>> {
  const kept = await (await opened()).get(TAKEN_AWAY);
  if (typeof kept !== 'object' || kept === null) return {};
  return Object.fromEntries(
    Object.entries(kept as Record<string, Partial<TakenAway> | null>).flatMap(([id, one]) =>
      typeof one?.save === 'number' && typeof one.at === 'string' ? [[id, { save: one.save, at: one.at }]] : [],
    ),
  );
}

/** Projects of which all that is saved is in a file too, from now on. */
export async function noteTakenAway(ids: readonly string[]): Promise<void> {
  const cards = (await (await projectStore()).list()).filter((card) => ids.includes(card.id));
  const at = new Date().toISOString();
  const now = Object.fromEntries(cards.map((card) => [card.id, { save: card.current, at }]));
  await (
    await opened()
  ).transact(TAKEN_AWAY, (before) => ({
    put: [[TAKEN_AWAY, { ...(typeof before === 'object' ? before : null), ...now }]],
    remove: [],
  }));
}

/** The demonstration rooms: read where they are wanted, and not with every page. */
export const demos = async (): Promise<readonly Project[]> => (await import('./demo')).DEMOS;

/** Adds the demonstration rooms that are not there. */
export async function takeUpDemos(store: ProjectStore): Promise<void> {
  const there = new Set((await store.list()).map((card) => card.id));
  const added = (await demos()).filter((demo) => !there.has(demo.id));
  for (const demo of added) await store.create(demo.id, newWork(demo));
  // They come with the application: nothing of them is only here.
  if (added.length > 0) await noteTakenAway(added.map((demo) => demo.id));
}

/** On the very first visit the demonstration rooms lie in the chest. */
export async function seedOnce(store: ProjectStore): Promise<void> {
  const db = await opened();
  if (await db.get(SEEDED)) return;
  await takeUpDemos(store);
  await db.set(SEEDED, true);
  // Asked once: a browser short of room then does not clear what is kept by itself.
  // Not waited for: it may ask the person.
  void navigator.storage?.persist?.().catch(() => false);
}

/** Prints carry the time they were made at. */
export const datedPrints = (client: PrintClient): PrintService => ({
  print: (request, progress) => client.print({ ...request, createdMs: Date.now() }, progress),
  cancel: client.cancel,
});
