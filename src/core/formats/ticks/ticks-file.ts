import { err, ok, type Result } from '@/core/base';
import type { Id } from '@/core/record';

export const TICKS_KIND = 'bathyskop-ticks';
export const TICKS_VERSION = 1;

/** Strokes of a plan that are drawn, as they were ticked off away from the application. */
export interface Ticks {
  readonly projectId: Id;
  readonly viewId: Id;
  /** Which plan they were set on; null in a file that does not say. */
  readonly digest: string | null;
  readonly drawn: readonly string[];
}

/** A plan has not so many strokes. */
const MOST_STROKES = 200_000;

export interface TicksError {
  readonly reason: 'not-json' | 'other-kind' | 'newer' | 'broken';
  readonly message: string;
}

const refused = (reason: TicksError['reason'], message: string): Result<never, TicksError> => err({ reason, message });

/** Reads a file of ticks that a plan's page gave back. */
export function readTicks(text: string): Result<Ticks, TicksError> {
  let found: unknown;
  try {
    found = JSON.parse(text);
  } catch {
    return refused('not-json', 'This is no file of ticks: it cannot be read as JSON.');
  }
  const given = (typeof found === 'object' && found !== null ? found : {}) as Readonly<Record<string, unknown>>;
  if (given.kind !== TICKS_KIND)
    return refused('other-kind', 'This is no file of ticks. Give the one that the plan’s page has given back.');
  if (given.version !== TICKS_VERSION)
    return refused('newer', `These ticks are of version ${String(given.version)}; this build reads ${TICKS_VERSION}.`);
  const { projectId, viewId, digest, drawn } = given;
  if (
    typeof projectId !== 'string' ||
    typeof viewId !== 'string' ||
    !Array.isArray(drawn) ||
    drawn.length > MOST_STROKES
  )
    return refused('broken', 'The file of ticks is damaged: it does not say which project, view and strokes it is of.');
  const names = drawn.filter((one): one is string => typeof one === 'string');
  if (names.length < drawn.length)
    return refused('broken', 'The file of ticks is damaged: some of its strokes have no name.');
  return ok({ projectId, viewId, digest: typeof digest === 'string' ? digest : null, drawn: names });
}
