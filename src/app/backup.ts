import { err, ok, type Result } from '@/core/base';
import { readBackup, writeBackup, type BackupEntry } from '@/core/formats/backup';
import { freshId, nameWith } from '@/core/record';
import { soundWork, type ProjectCard, type ProjectStore } from '@/persistence';
import type { TakenAway } from './composition';

/** All projects as one file; those that cannot be read are named, and lie where they are. */
export interface Everything {
  readonly text: string;
  readonly ids: readonly string[];
  readonly unread: readonly string[];
}

async function entryOf(store: ProjectStore, id: string): Promise<BackupEntry | null> {
  const loaded = await store.load(id);
  if (!loaded.ok) return null;
  const { history, desk } = loaded.value.work;
  const states = await Promise.all(
    [...(await store.states(id))].reverse().map(async ({ number, by, name, keptAt }) => {
      const project = await store.state(id, number);
      return project ? { by, name, keptAt, project } : null;
    }),
  );
  return { project: history.present, desk, states: states.filter((one) => one !== null) };
}

export async function everything(store: ProjectStore, now: Date): Promise<Everything> {
  const cards = await store.list();
  const entries: BackupEntry[] = [];
  const ids: string[] = [];
  const unread: string[] = [];
  for (const { id, name } of cards) {
    const entry = await entryOf(store, id).catch(() => null);
    if (entry) {
      entries.push(entry);
      ids.push(id);
    } else unread.push(name);
  }
  return { text: writeBackup(entries, now.toISOString()), ids, unread };
}

export interface BroughtBack {
  readonly brought: readonly string[];
  /** What lies here just as it is in the file. */
  readonly same: readonly string[];
  readonly faults: readonly { readonly name: string; readonly message: string }[];
}

/** Whether all of an entry lies in the store already. */
async function isHere(store: ProjectStore, entry: BackupEntry): Promise<boolean> {
  const here = await entryOf(store, entry.project.id).catch(() => null);
  if (!here) return false;
  const present = JSON.stringify(entry.project);
  if (JSON.stringify(here.project) !== present) return false;
  const content = ({ by, name, project }: BackupEntry['states'][number]): string =>
    JSON.stringify([by === 'hand' ? name : '', project]);
  const there = new Set(here.states.map(content));
  // The last of a day that is the present still is no more than the present.
  return entry.states.every(
    (one) => there.has(content(one)) || (one.by === 'day' && JSON.stringify(one.project) === present),
  );
}

/** Brings all of a backup in. Nothing here is written over: what is here and differs stays, and the other comes beside it. */
export async function bringBack(store: ProjectStore, backup: unknown): Promise<Result<BroughtBack, string>> {
  const read = readBackup(backup);
  if (!read.ok) return err(read.error.message);
  const brought: string[] = [];
  const same: string[] = [];
  for (const entry of read.value.entries) {
    if (await isHere(store, entry)) {
      same.push(entry.project.name);
      continue;
    }
    const taken = new Set((await store.list()).map((card) => card.id));
    const id = freshId(entry.project.id, taken);
    const name = taken.has(entry.project.id) ? nameWith(entry.project.name, ', from the backup') : entry.project.name;
    await store.create(id, soundWork({ ...entry.project, id, name }, entry.desk), entry.states);
    brought.push(name);
  }
  return ok({ brought, same, faults: read.value.faults });
}

const quoted = (names: readonly string[]): string => names.map((name) => `“${name}”`).join(', ');

/** How that went, in words. */
export function broughtBackWords({ brought, same, faults }: BroughtBack): string {
  const said = [
    brought.length === 0 ? 'Nothing was brought in' : `Brought in: ${quoted(brought)}`,
    ...(same.length === 0 ? [] : [`here already, just as in the file: ${quoted(same)}`]),
    ...faults.map(({ name, message }) => `“${name}” could not be read: ${message.replace(/\.$/, '')}`),
  ];
  return `${said.join('; ')}.`;
}

/** Projects of which something is kept in this browser alone; `since` is when a file was last taken away, null where none was. */
export const onlyHere = (
  cards: readonly Pick<ProjectCard, 'id' | 'name' | 'changedIn' | 'savedAt'>[],
  taken: Readonly<Record<string, TakenAway>>,
): readonly { readonly name: string; readonly since: string | null }[] =>
  cards.flatMap(({ id, name, changedIn, savedAt }) => {
    const away = Object.hasOwn(taken, id) ? taken[id] : undefined;
    // What cannot be read says so on its own card.
    if (savedAt === null || (away && away.save >= changedIn)) return [];
    return [{ name, since: away?.at ?? null }];
  });
