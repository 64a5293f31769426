import { Paced } from '@/interface/pace';
import { FURNITURE, laidOf, pieceLayer, paperLayer, setOutLayer, type LayersLaid } from '@/core/drawing';
import { viewOf, type Frame, type Id, type MeasuredRoom, type Project, type View } from '@/core/record';
import { resolveSetUp, setOutOf, type SetOut, type SetUp } from '@/core/view';
import {
  CarriedLines,
  ownerOfLine,
  type PreparedCurve,
  type PreparedEdge,
  type VisibleLines,
  drain,
  visibleLinesExact,
} from '@/core/visibility';
import type { LinesService } from '@/interface/services';
import type { Arrangement } from './arrangement';
import { KeptPicture } from './kept-picture';
import type { BoardLayout } from './layout';
import { isOf, movingPen, paintBoard, type BoardPainting } from './paint';
import { keepStill, onStillBoard, type Pose } from './pose';
import { isLarge, type Perspective } from '@/interface/session';

/** Of what a frame leaves over so much is not taken, ms. */
const LEFT_TO_THE_FRAME_MS = 3;
/** Exact lines are asked for this often while the eye moves without a rest, ms: the worker shares the machine with the frames. */
const FOLLOW_MS = 2000;
/** A pointer that lies still so long rests, ms: the exact picture is then made, without letting go. */
const REST_MS = 150;

/** What a board lies like when a drag begins. */
export interface MotionGiven {
  readonly project: Project;
  readonly view: View;
  readonly perspective: Perspective;
  readonly layout: BoardLayout;
  readonly pose: Pose;
  readonly painting: Omit<BoardPainting, 'view' | 'setUp' | 'setOut' | 'pose' | 'drawing' | 'dragging'>;
  readonly arrangement: Pick<Arrangement, 'lies' | 'places'>;
  readonly chosen: Id | null;
  readonly laid: LayersLaid | undefined;
  readonly canvas: HTMLCanvasElement | null;
  readonly surface: SVGSVGElement | null;
  readonly service: LinesService | null;
}

/** Where a drag is: what the words are written from. */
export interface Moved {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly setOut: SetOut;
  readonly pose: Pose;
}

/** Curves are carried as chords within a third of a pencil line of them, mm in the world. */
const chordsWithin = ({ view }: MotionGiven): number => 0.15 * view.scaleDenominator;

interface Under {
  readonly given: MotionGiven;
  lines: CarriedLines;
  readonly penOf: (line: PreparedEdge | PreparedCurve) => number;
  readonly handles: readonly { readonly name: string; readonly element: Element; readonly at: string | null }[];
  /** The record reduced to what the set-out of the moment needs: the room and the piece at hand. */
  readonly reduced: MeasuredRoom;
  readonly kept: { readonly plan: KeptPicture; readonly side: KeptPicture };
  resting: ReturnType<typeof setTimeout> | null;
  /** The last frame that was painted. */
  last: Moved | null;
  askedAt: number;
  /** The exact lines being made between the frames, in a room small enough for that. */
  between: ReturnType<typeof visibleLinesExact> | null;
  /** What the worker was asked and has not answered. */
  asked: Parameters<LinesService['request']>[0] | null;
}

/**
 * A drag of station, eye, plane, paper or points at the pace of the frames: nothing of it is rendered by React. The canvas is painted from plain
 * arrays, handles are moved where they are, the plan under a moving eye lies still as a picture, and words are called for now and then.
 */
export class BoardMotion {
  private given: MotionGiven | null = null;
  /** Whether plan and floor are kept still under the eye; said by the handle. */
  private still = false;
  /** Where the board lies at the moment of the drag. */
  private pose: Pose | null = null;
  private onWords: ((moved: Moved | null) => void) | null = null;
  private under: Under | null = null;
  /** The words are told apart from the frames; they name the points of all that is there, where what is painted needs those at hand only. */
  private readonly words = new Paced<Omit<Moved, 'setOut'>>((now) =>
    this.onWords?.({ ...now, setOut: setOutOf(now.project, now.view, now.setUp) }),
  );

  /** How the board lies: said with every rendering while nothing is dragged. */
  lies(given: MotionGiven): void {
    if (!this.under) this.given = given;
  }

  /** Whether plan and floor stay still on the screen in the drag that begins. */
  keepsStill(still: boolean): void {
    this.still = still;
  }

  /** Who writes the words: told where the drag is eight times a second, and null when it is over. */
  hearWords(heard: ((moved: Moved | null) => void) | null): void {
    this.onWords = heard;
  }

  /** Where the board has come to lie, if the drag moves it about. */
  restingPose(): Pose | null {
    return this.still ? this.pose : null;
  }

  get active(): boolean {
    return this.under !== null;
  }

  /** One move: the project as it would be. */
  frame(project: Project): void {
    const under = (this.under ??= this.begin());
    if (!under) return;
    const { given } = under;
    const { layout } = given;
    const view = viewOf(project, given.view.id);
    const resolved = resolveSetUp(project, view);
    if (!resolved.ok) return;
    const setUp = resolved.value;
    const before = given.perspective.stand.setUp;
    const { arrangement } = given;
    const pose =
      arrangement.lies === 'the-board'
        ? onStillBoard(given.pose, given.view, view)
        : this.still
          ? keepStill(given.pose, before, setUp, layout)
          : given.pose;
    this.pose = pose;
    const setOut = setOutOf(under.reduced, view, setUp);
    this.paint(under, { project, view, setUp, setOut, pose });
    const put = arrangement.places({ project, view, setUp, setOut, pose, layout });
    for (const { name, element } of under.handles) {
      const transform = put[name];
      if (transform !== undefined) element.setAttribute('transform', transform);
    }
    this.words.put({ project, view, setUp, pose });
    under.last = { project, view, setUp, setOut, pose };
    const now = performance.now();
    if (!under.asked && !under.between && now - under.askedAt >= FOLLOW_MS)
      this.follow(under, project, view, setUp, now);
    if (under.resting !== null) clearTimeout(under.resting);
    under.resting = setTimeout(() => this.rest(under), REST_MS);
  }

  /** The drag is over, dropped or given up: everything React knows is as React left it. */
  end(): void {
    const { under } = this;
    if (!under) return;
    this.under = null;
    this.pose = null;
    this.words.drop();
    if (under.resting !== null) clearTimeout(under.resting);
    if (under.asked) under.given.service?.cancel(under.asked);
    for (const { element, at } of under.handles) if (at !== null) element.setAttribute('transform', at);
    this.onWords?.(null);
  }

  private begin(): Under | null {
    const { given } = this;
    if (!given?.canvas) return null;
    const penOf = pensOf(given);
    const { scene, lines } = given.perspective;
    const { levels, spaces, openings, surfaces, pieces } = given.project;
    return {
      given,
      penOf,
      lines: new CarriedLines(scene.prepared, lines, penOf, chordsWithin(given)),
      handles: [...(given.surface?.querySelectorAll('[data-handle], [data-moves]') ?? [])].map((element) => ({
        name: element.getAttribute('data-handle') ?? element.getAttribute('data-moves') ?? '',
        element,
        at: element.getAttribute('transform'),
      })),
      reduced: { levels, spaces, openings, surfaces, pieces: pieces.filter((piece) => piece.id === given.chosen) },
      kept: { plan: new KeptPicture(), side: new KeptPicture() },
      resting: null,
      last: null,
      askedAt: performance.now(),
      between: null,
      asked: null,
    };
  }

  private paint({ given, lines, kept }: Under, { view, setUp, setOut, pose }: Moved): void {
    const ctx = given.canvas?.getContext('2d');
    if (!ctx) return;
    const { laid } = given;
    const paper = [paperLayer(view), setOutLayer(view, setOut, given.chosen)].flatMap((layer) => {
      const how = laidOf(laid, layer).show;
      return how === 'off' ? [] : [how === 'dimmed' ? { ...layer, dimmed: true } : layer];
    });
    paintBoard(
      ctx,
      {
        ...given.painting,
        view,
        setUp,
        setOut,
        pose,
        drawing: { title: '', width: view.sheet.width, height: view.sheet.height, layers: paper },
        dragging: true,
        moving: { lines, picture: lines.at(setUp, view.frame) },
        kept,
      },
      window.devicePixelRatio || 1,
    );
  }

  /** The pointer rests: what is truly seen from here is drawn. */
  private rest(under: Under): void {
    const { last } = under;
    if (this.under !== under || !last) return;
    under.resting = null;
    const { scene } = under.given.perspective;
    if (isLarge(scene)) {
      if (!under.asked) this.follow(under, last.project, last.view, last.setUp, performance.now());
      return;
    }
    under.between = null;
    this.carry(under, drain(visibleLinesExact(scene.prepared, last.setUp, last.view.frame)));
    this.paint(under, last);
  }

  /** What was truly seen a moment ago is carried along from now on. */
  private carry(under: Under, lines: VisibleLines): void {
    const { given, penOf } = under;
    under.lines = new CarriedLines(given.perspective.scene.prepared, lines, penOf, chordsWithin(given));
  }

  /** Makes the exact lines from where the eye is in what the frames leave over: a worker would take the other core from those who paint. */
  private followBetween(under: Under, setUp: SetUp, frame: Frame): void {
    // Where the browser does not say what is left over they come when the pointer rests.
    if (typeof requestIdleCallback !== 'function') return;
    const steps = visibleLinesExact(under.given.perspective.scene.prepared, setUp, frame);
    under.between = steps;
    const slice = (left: IdleDeadline): void => {
      if (this.under !== under || under.between !== steps) return;
      while (left.timeRemaining() > LEFT_TO_THE_FRAME_MS) {
        const step = steps.next();
        if (!step.done) continue;
        under.between = null;
        this.carry(under, step.value);
        return;
      }
      requestIdleCallback(slice);
    };
    requestIdleCallback(slice);
  }

  /** Asks for the exact lines from where the eye is: late for their own picture, but what they saw is carried along. */
  private follow(under: Under, project: Project, view: View, setUp: SetUp, now: number): void {
    const { given } = under;
    under.askedAt = now;
    if (!isLarge(given.perspective.scene)) return this.followBetween(under, setUp, view.frame);
    if (!given.service) return;
    const over = (): boolean => {
      under.asked = null;
      return this.under !== under;
    };
    under.asked = {
      project,
      setUp,
      frame: view.frame,
      done: (lines: VisibleLines) => {
        if (over()) return;
        this.carry(under, lines);
        // Where the pointer rests no further frame would bring them to the paper.
        if (under.resting === null && under.last) this.paint(under, under.last);
      },
      progress: () => undefined,
      failed: () => void over(),
    };
    given.service.request(under.asked);
  }
}

/** The pen of each line: as the drawing has it; one that comes into sight is an inner line of what it belongs to. */
function pensOf({ project, perspective, chosen, laid }: MotionGiven): (line: PreparedEdge | PreparedCurve) => number {
  const known = new Map<Id, number>();
  for (const layer of perspective.drawing.layers)
    for (const stroke of layer.strokes) {
      if (stroke.role.is !== 'line' || stroke.weight !== 'firm') continue;
      const pen = movingPen(stroke.edge ?? 'inner', chosen !== null && isOf(stroke, chosen), layer.dimmed === true);
      // Of a line that is lighter in part the whole is carried along in its own pen.
      const part = stroke.edge === 'crowded' || stroke.edge === 'dense';
      for (const id of [stroke.of, ...(stroke.also ?? [])]) if (!part || !known.has(id)) known.set(id, pen);
    }
  const shown = new Map<Id, 'on' | 'dimmed' | 'off'>([
    ...project.openings.map((one) => [one.id, laidOf(laid, { id: 'openings' }).show] as const),
    ...project.surfaces.map((one) => [one.id, laidOf(laid, { id: 'patterns' }).show] as const),
    ...project.pieces.map((one) => [one.id, laidOf(laid, { id: pieceLayer(one.id), group: FURNITURE }).show] as const),
  ]);
  const room = laidOf(laid, { id: 'room' }).show;
  return (line) => {
    const show = shown.get(line.body) ?? room;
    if (show === 'off') return -1;
    const pen = known.get(line.id);
    const own = chosen !== null && (line.body === chosen || ownerOfLine(line.role) === chosen);
    return pen ?? movingPen('inner', own, show === 'dimmed');
  };
}
