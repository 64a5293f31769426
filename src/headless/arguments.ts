import { err, ok, type Result } from '@/core/base';
import { ORDERS, type Order } from '@/core/construction';
import { CARDS_PER_PAGE, type CardsPerPage } from '@/core/drawing';
import { CARD_PAPER_NAMES } from '@/core/pipeline';
import { PLAN_BEGINS, SCHOOL_NAMES, type PlanBegin, type SchoolName } from '@/core/record';

/** Which plane of the room is at scale. */
export type Measured = 'front' | 'back';
export const MEASURED: readonly Measured[] = ['front', 'back'];

const among = <T extends string>(values: readonly T[], word: string | null): T | null =>
  values.find((one) => one === word) ?? null;

export interface HeadlessArguments {
  readonly project: string;
  readonly view: string | null;
  readonly piece: string | null;
  readonly setout: string | null;
  readonly svg: string | null;
  readonly steps: string | null;
  /** The whole drawing as a plan: a file, and a page to read. */
  readonly plan: string | null;
  readonly planPage: string | null;
  /** The plan's steps as cards, their paper and how many go on one page; its marks as a table. */
  readonly cards: string | null;
  readonly cardsPaper: string | null;
  readonly cardsPerPage: CardsPerPage;
  readonly marks: string | null;
  readonly order: Order;
  /** Whether the sheet bears the whole construction. */
  readonly construction: boolean;
  /** In place of what the project says: how depth is spaced, what pieces are begun with, which plane is at scale. */
  readonly school: SchoolName | null;
  readonly begin: PlanBegin | null;
  readonly measured: Measured | null;
  /** Nearer together than this nothing is measured, mm on paper; null: as it is to begin with. */
  readonly detailMm: number | null;
  readonly points: readonly [input: string, output: string] | null;
  readonly pdf: string | null;
  readonly dxf: string | null;
  /** Seen stretches of the project's sheet or of a neutral scene. */
  readonly visible: string | null;
  /** Contradictions of the record and warnings of the view. */
  readonly findings: string | null;
  /** The bodies as they are. */
  readonly bodies: string | null;
  /** Changes to apply to the project before anything is written. */
  readonly apply: string | null;
  /** The project as it is after the changes. */
  readonly save: string | null;
  /** A scene of bare polygons in place of a project. */
  readonly scene: string | null;
  /** How often a scene's lines are found, for the median of the time it takes. */
  readonly reps: number;
  /** Every kind of the catalogue on one sheet; asks for no project. */
  readonly contactSheet: string | null;
}

export const USAGE = [
  'usage: npm run -s headless -- PROJECT.json [--view ID] [--piece ID]',
  '         npm run -s headless -- --contact-sheet OUT.svg',
  '         npm run -s headless -- --scene SCENE.json --edges all --visible OUT.json [--reps N]',
  '         [--setout OUT.json] [--svg OUT.svg] [--pdf OUT.pdf] [--dxf OUT.dxf] [--steps OUT.csv] [--points IN.json OUT.json] [--visible OUT.json]',
  '         [--cards OUT.pdf] [--cards-paper A5|A4|letter] [--cards-per-page 1|2|4] [--marks OUT.csv]',
  '         [--plan OUT.json] [--plan-page OUT.md] [--construction] [--order piece|pass] [--detail MM]',
  '         [--school measuring-points|distance-point|plan-projection|plan-and-elevation|measured-grid|diagonals|sheet-corners|binary-steps] [--begin footprint|crate] [--measured front|back]',
  '         [--apply CHANGES.json] [--save OUT.json] [--findings OUT.json] [--bodies OUT.json]',
  '  --view    the view to draw, by id; the first when left out',
  '  --piece   the piece at hand, by id, whose own points the sheet marks; the one chosen for the view when left out',
  '  --setout  horizon, ground line, vanishing and measuring points on picture, sheet and board',
  '  --svg     the sheet at true size',
  '  --pdf     the same as a PDF, its layers as optional content',
  '  --dxf     the same as DXF, 1 unit = 1 mm of paper',
  '  --visible what is seen, as segments on the sheet, mm; of a scene, in the picture',
  '  --scene   a neutral scene: a camera and flat faces; --edges all takes every polygon edge; --reps N, the median of N runs',
  '  --steps   the plan’s steps as a table, one row for each measure',
  '  --construction  the sheet bears all that the plan draws, as a layer of its own',
  '  --plan    everything that is seen as pencil strokes: operations, steps in words, expected errors; --plan-page the same to read',
  '  --cards   the plan’s steps as cards, each with its figure; on A4 or letter, two a page, when nothing else is said',
  '  --marks   every mark of the plan as a table, by passes: from which zero, how far, ruled to which point',
  '  --order   of the plan: each thing whole (piece, when left out), or all that one position of a tool can do (pass)',
  '  --detail  nearer together than this on paper nothing is measured, mm; 2 when left out',
  '  --school  how depth is spaced, --begin what a piece is begun with: in place of what the project says',
  '  --measured  the picture plane at the front or the back of the room, the picture as large as it is',
  '  --points  projects world points and segments of IN into picture mm',
  '  --findings  contradictions of the record and warnings of the view, with where they are and the changes that settle them',
  '  --bodies  flat faces as polygons, round ones as what they are, names',
  '  --apply   changes to the project, applied before anything is written; --save OUT.json writes the project after them',
  '  --contact-sheet  every kind of the catalogue in two-point, front and side view',
].join('\n');

/** Finer than a pencil’s line nothing can be measured; coarser than this nothing is left to be. */
const LEAST_DETAIL_MM = 0.3;
const MOST_DETAIL_MM = 20;

const ONE_FILE = {
  '--view': 'view',
  '--piece': 'piece',
  '--setout': 'setout',
  '--svg': 'svg',
  '--steps': 'steps',
  '--plan': 'plan',
  '--plan-page': 'planPage',
  '--pdf': 'pdf',
  '--dxf': 'dxf',
  '--visible': 'visible',
  '--findings': 'findings',
  '--bodies': 'bodies',
  '--apply': 'apply',
  '--save': 'save',
  '--scene': 'scene',
  '--contact-sheet': 'contactSheet',
  '--cards': 'cards',
  '--marks': 'marks',
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
    plan: null,
    planPage: null,
    cards: null,
    cardsPaper: null,
    cardsPerPage: 2,
    marks: null,
    order: 'by-piece',
    construction: false,
    school: null,
    begin: null,
    measured: null,
    detailMm: null,
    pdf: null,
    dxf: null,
    visible: null,
    findings: null,
    bodies: null,
    apply: null,
    save: null,
    scene: null,
    reps: 1,
    points: null,
    contactSheet: null,
  };
  let index = 0;
  let edges: string | null = null;
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
    } else if (word === '--edges') {
      edges = next();
      if (edges !== 'all') return err('--edges takes the word all: every polygon edge is a line.');
    } else if (word === '--construction') found.construction = true;
    else if (word === '--order') {
      const value = next();
      const order = ORDERS.find((one) => one === value || one === `by-${value}`);
      if (!order) return err('--order takes piece or pass.');
      found.order = order;
    } else if (word === '--cards-paper') {
      found.cardsPaper = among(CARD_PAPER_NAMES, next());
      if (found.cardsPaper === null) return err(`--cards-paper takes ${CARD_PAPER_NAMES.join(' or ')}.`);
    } else if (word === '--cards-per-page') {
      const value = next();
      const count = CARDS_PER_PAGE.find((one) => String(one) === value);
      if (!count) return err(`--cards-per-page takes ${CARDS_PER_PAGE.join(' or ')}.`);
      found.cardsPerPage = count;
    } else if (word === '--school') {
      found.school = among(SCHOOL_NAMES, next());
      if (found.school === null) return err(`--school takes ${SCHOOL_NAMES.join(' or ')}.`);
    } else if (word === '--begin') {
      found.begin = among(PLAN_BEGINS, next());
      if (found.begin === null) return err(`--begin takes ${PLAN_BEGINS.join(' or ')}.`);
    } else if (word === '--measured') {
      found.measured = among(MEASURED, next());
      if (found.measured === null) return err(`--measured takes ${MEASURED.join(' or ')}.`);
    } else if (word === '--detail') {
      const value = Number(next() ?? 'NaN');
      if (!(value >= LEAST_DETAIL_MM && value <= MOST_DETAIL_MM))
        return err(`--detail takes millimetres on paper, from ${LEAST_DETAIL_MM} to ${MOST_DETAIL_MM}.`);
      found.detailMm = value;
    } else if (word === '--reps') {
      const value = Number(next() ?? 'NaN');
      if (!Number.isInteger(value) || value < 1 || value > 10_000)
        return err('--reps takes a whole number from 1 to 10000.');
      found.reps = value;
    } else if (Object.hasOwn(ONE_FILE, word)) {
      const value = next();
      if (!value) return err(`${word} needs a value.`);
      found[ONE_FILE[word as keyof typeof ONE_FILE]] = value;
    } else if (word.startsWith('--')) return err(`${word} is not known.`);
    else if (found.project !== '') return err(`One project at a time: “${word}” is a second.`);
    else found.project = word;
  }
  const ofProject = [
    'setout',
    'svg',
    'pdf',
    'dxf',
    'steps',
    'plan',
    'planPage',
    'cards',
    'marks',
    'points',
    'findings',
    'bodies',
    'save',
  ] as const;
  const asksProject = ofProject.some((one) => found[one] !== null);
  if (found.scene !== null) {
    if (found.project !== '' || asksProject)
      return err('A scene has only visible lines: leave the project and its outputs out.');
    if (found.visible === null) return err('Nothing to write. Ask a scene for --visible OUT.json.');
    if (edges === null) return err('Say which edges of the scene are lines: --edges all.');
    return ok(found);
  }
  const plans =
    found.construction ||
    [found.plan, found.planPage, found.steps, found.cards, found.marks].some((one) => one !== null);
  const planned = [found.detailMm, found.school, found.begin, found.measured].some((one) => one !== null);
  if ((found.order !== 'by-piece' || planned) && !plans)
    return err(
      '--order, --detail, --school, --begin and --measured go with --plan, --plan-page, --steps, --cards, --marks or --construction.',
    );
  if ((found.cardsPaper !== null || found.cardsPerPage !== 2) && found.cards === null)
    return err('--cards-paper and --cards-per-page go with --cards.');
  if (found.construction && [found.svg, found.pdf, found.dxf].every((one) => one === null))
    return err('--construction goes with --svg, --pdf or --dxf.');
  if (edges !== null || found.reps !== 1) return err('--edges and --reps go with --scene.');
  if (found.contactSheet && found.project === '' && !asksProject && !found.visible) return ok(found);
  if (found.project === '') return err('Which project? Give a project file.');
  if (!asksProject && !found.visible)
    return err(
      'Nothing to write. Ask for --setout, --svg, --pdf, --dxf, --steps, --plan, --plan-page, --cards, --marks, --points, --visible, --findings, --bodies or --save.',
    );
  return ok(found);
}
