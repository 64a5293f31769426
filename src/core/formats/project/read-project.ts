import { ValidationError } from 'yup';
import { err, ok, type Result, capital } from '@/core/base';
import { MOST_OF, PROJECT_KIND, PROJECT_VERSION, type Project } from '@/core/record';
import { migrate } from './migrations';
import { referenceFault } from './references';
import { projectSchema, THING_SCHEMAS } from './schema';

export interface ProjectFileError {
  readonly reason: 'not-json' | 'not-a-project' | 'newer-version' | 'shape' | 'reference';
  /** Where in the file, empty for the whole. */
  readonly path: string;
  readonly message: string;
}

/** A project from the text of a file, or the first reason why not. */
export function readProject(text: string): Result<Project, ProjectFileError> {
  const value = valueOf(text);
  return value.ok ? readProjectValue(value.value) : value;
}

/** What the text of a file of ours says, whatever kind it is of. */
export function valueOf(text: string): Result<unknown, ProjectFileError> {
  try {
    // Some editors put a byte-order mark before the text: it says nothing here.
    return ok(JSON.parse(text.replace(/^\uFEFF/, '')) as unknown);
  } catch {
    return err({
      reason: 'not-json',
      path: '',
      message:
        'The file cannot be read: it is not JSON, or it was cut short. Export it again, or take an earlier copy.',
    });
  }
}

const STRICTLY = { strict: true, abortEarly: true };
/** Longer is read by nobody. */
const LONGEST_MESSAGE = 300;
/** A sentence begins with a capital, and ends. */
function short(message: string): string {
  const sentence = capital(message);
  return sentence.length <= LONGEST_MESSAGE ? sentence : `${sentence.slice(0, LONGEST_MESSAGE - 2)}….`;
}

/**
 * The same in steps, a piece at a time, for what is kept in the browser: yields what part of it is read. `sound` holds the pieces that have been
 * read before, by identity: states of a history share most of theirs. What is wrong with a project is told as `readProjectValue` tells it.
 */
export function* readProjectInSteps(
  value: unknown,
  sound: WeakSet<object>,
): Generator<number, Result<Project, ProjectFileError>> {
  const { version, pieces } = (value ?? {}) as { readonly version?: unknown; readonly pieces?: unknown };
  if (version !== PROJECT_VERSION || !Array.isArray(pieces)) return readProjectValue(value);
  try {
    projectSchema.validateSync({ ...(value as object), pieces: pieces.slice(0, 1) }, STRICTLY);
    // The length of the list is judged with the list.
    if (pieces.length > MOST_OF.pieces) return readProjectValue(value);
    for (const [i, piece] of (pieces as readonly unknown[]).entries()) {
      if (typeof piece === 'object' && piece !== null && sound.has(piece)) continue;
      const read: object = THING_SCHEMAS.pieces.validateSync(piece, STRICTLY);
      sound.add(read);
      yield i / pieces.length;
    }
  } catch {
    return readProjectValue(value);
  }
  const project = value as Project;
  return referenceFault(project) === null ? ok(project) : readProjectValue(value);
}

/** The same for a value already parsed, as it comes from the browser's store. */
export function readProjectValue(value: unknown): Result<Project, ProjectFileError> {
  if (typeof value !== 'object' || value === null || !('kind' in value) || value.kind !== PROJECT_KIND) {
    return err({
      reason: 'not-a-project',
      path: 'kind',
      message: 'The file is not a Bathyskop project. Choose a file that was exported from a project.',
    });
  }
  const version = 'version' in value ? value.version : undefined;
  if (typeof version === 'number' && version > PROJECT_VERSION) {
    return err({
      reason: 'newer-version',
      path: 'version',
      message: `The file was made by a newer version (format ${version}; this one reads up to ${PROJECT_VERSION}). Update, then open it again.`,
    });
  }
  try {
    const project = projectSchema.validateSync(migrate(value), STRICTLY) as unknown as Project;
    const fault = referenceFault(project);
    return fault ? err({ reason: 'reference', path: fault.path, message: short(fault.message) }) : ok(project);
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const path = error.path ?? '';
    const what = error.errors[0] ?? 'is not as it should be';
    return err({
      reason: 'shape',
      path,
      message: short(
        `The file is damaged at ${path || 'its top level'}: ${what.startsWith(path) && path ? what.slice(path.length).trim() : what}.`,
      ),
    });
  }
}
