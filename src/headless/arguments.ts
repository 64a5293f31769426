import { err, ok, type Result } from '@/core/base';

export interface HeadlessArguments {
  readonly project: string;
  readonly view: string | null;
  readonly piece: string | null;
  readonly setout: string | null;
  readonly svg: string | null;
  readonly steps: string | null;
  readonly points: readonly [input: string, output: string] | null;
  /** Every kind of the catalogue on one sheet; asks for no project. */
  readonly contactSheet: string | null;
}

export const USAGE = [
  'usage: npm run -s headless -- PROJECT.json [--view ID] [--piece ID]',
  '         npm run -s headless -- --contact-sheet OUT.svg',
  '         [--setout OUT.json] [--svg OUT.svg] [--steps OUT.csv] [--points IN.json OUT.json]',
  '  --view    the view to draw, by id; the first when left out',
  '  --piece   the piece to construct, by id; the one chosen for the view when left out',
  '  --setout  horizon, ground line, vanishing and measuring points on picture, sheet and board',
  '  --svg     the sheet at true size',
  '  --steps   the construction of the piece, one row for each measure',
  '  --points  projects world points and segments of IN into picture mm',
  '  --contact-sheet  every kind of the catalogue in two-point, front and side view',
].join('\n');

const ONE_FILE = {
  '--view': 'view',
  '--piece': 'piece',
  '--setout': 'setout',
  '--svg': 'svg',
  '--steps': 'steps',
  '--contact-sheet': 'contactSheet',
} as const;

/** Reads the command's words. The error is a message for the person who typed them. */
export function readArguments(words: readonly string[]): Result<HeadlessArguments, string> {
  const found: { -readonly [K in keyof HeadlessArguments]: HeadlessArguments[K] } = {
    project: '',
    view: null,
    piece: null,
    setout: null,
    svg: null,
    steps: null,
    points: null,
    contactSheet: null,
  };
  let index = 0;
  const next = (): string | null => {
    const word = words[index];
    if (word === undefined || word.startsWith('--')) return null;
    index += 1;
    return word;
  };
  while (index < words.length) {
    const word = words[index] as string;
    index += 1;
    if (word === '--points') {
      const input = next();
      const output = next();
      if (!input || !output) return err('--points takes two files: IN.json OUT.json.');
      found.points = [input, output];
    } else if (Object.hasOwn(ONE_FILE, word)) {
      const value = next();
      if (!value) return err(`${word} needs a value.`);
      found[ONE_FILE[word as keyof typeof ONE_FILE]] = value;
    } else if (word.startsWith('--')) return err(`${word} is not known.`);
    else if (found.project !== '') return err(`One project at a time: “${word}” is a second.`);
    else found.project = word;
  }
  if (found.contactSheet && found.project === '' && !found.setout && !found.svg && !found.steps && !found.points)
    return ok(found);
  if (found.project === '') return err('Which project? Give a project file.');
  if (!found.setout && !found.svg && !found.steps && !found.points)
    return err('Nothing to write. Ask for --setout, --svg, --steps or --points.');
  return ok(found);
}
