import { writeFindings } from '@/core/formats/findings';
import { writeBodies } from '@/core/formats/bodies';
import { applyChanges, readChanges } from '@/core/formats/changes';
import { bodiesOf, contradictionsOf } from '@/core/solids';
import {
  cardPaper,
  DETAIL_MM,
  handWith,
  planShownFrom,
  planStrokes,
  sceneOf,
  sheetOf,
  standWarnings,
  wholePlanOf,
} from '@/core/pipeline';
import { readFileSync, writeFileSync } from 'node:fs';
import { err, ok, type Result } from '@/core/base';
import { clipToSheet, contactSheet, stepCards } from '@/core/drawing';
import { writePlan, writePlanPage, type PlanGiven } from '@/core/formats/plan';
import { marksByPass, ORDER_WORDS, planOnPaper } from '@/core/construction';
import { readPoints, writePoints } from '@/core/formats/points';
import { readProject, writeProject } from '@/core/formats/project';
import { writeDxf } from '@/core/formats/dxf';
import { writePdf } from '@/core/formats/pdf';
import { readScene, writeVisible } from '@/core/formats/scene';
import { writeSvg } from '@/core/formats/svg';
import { writeMarks, writeSetOut, writeSteps } from '@/core/formats/tables';
import { lengthStyleOf, type PlanWay, type View, type Project } from '@/core/record';
import { conicChain } from '@/core/geometry';
import { measuredPlanes, resolveSetUp, seenIn, type SetUp, standOf } from '@/core/view';
import {
  conicOfRow,
  drain,
  joinLines,
  neutralLines,
  visibleLinesExact,
  type PreparedScene,
  type VisibleLines,
} from '@/core/visibility';
import { readArguments, USAGE, type HeadlessArguments } from './arguments';

const readText = (path: string): Result<string, string> => {
  try {
    return ok(readFileSync(path, 'utf8'));
  } catch (error) {
    return err(`${path} cannot be read: ${error instanceof Error ? error.message : 'unknown reason'}.`);
  }
};

type Output = readonly [path: string, content: string | Uint8Array];

/** Visible lines of a neutral scene, found `reps` times: the median of the time from the faces to the joined lines goes with them. */
function sceneOutput(path: string, out: string, reps: number): Result<readonly Output[], string> {
  const text = readText(path);
  if (!text.ok) return text;
  const read = readScene(text.value);
  if (!read.ok) return err(`${path}: ${read.error.message}`);
  const { scene, sight } = read.value;
  const times: number[] = [];
  let lines = null;
  for (let i = 0; i < reps; i += 1) {
    const began = performance.now();
    lines = neutralLines(scene, sight);
    times.push(performance.now() - began);
  }
  times.sort((a, b) => a - b);
  return ok([[out, writeVisible(lines?.picture ?? new Float64Array(), times[Math.floor(times.length / 2)] ?? 0)]]);
}

/** The project after the changes of a file. */
function changedBy(project: Project, path: string): Result<Project, string> {
  const text = readText(path);
  if (!text.ok) return text;
  const changes = readChanges(text.value);
  if (!changes.ok) return err(`${path}: ${changes.error.message}`);
  const done = applyChanges(project, changes.value);
  return done.ok ? done : err(`${path}: ${done.error.message}`);
}

/** Computes everything that was asked for before it writes anything: a refusal leaves no half of the files behind. */
async function outputs(
  asked: HeadlessArguments,
  complain: (message: string) => void,
): Promise<Result<readonly Output[], string>> {
  if (asked.scene !== null) return sceneOutput(asked.scene, asked.visible ?? '', asked.reps);
  const sheets: Output[] = asked.contactSheet ? [[asked.contactSheet, writeSvg(contactSheet())]] : [];
  if (asked.project === '') return ok(sheets);
  const text = readText(asked.project);
  if (!text.ok) return text;
  const read = readProject(text.value);
  if (!read.ok) return err(`${asked.project}: ${read.error.message}`);
  const changed = asked.apply === null ? ok(read.value) : changedBy(read.value, asked.apply);
  if (!changed.ok) return changed;
  const record = changed.value;
  const named = asked.view === null ? record.views[0] : record.views.find((one) => one.id === asked.view);
  if (!named)
    return err(
      `The project has no view “${asked.view ?? ''}”. It has: ${record.views.map((one) => one.id).join(', ')}.`,
    );
  const measured = measuredIn(record, named, asked.measured);
  if (!measured.ok) return measured;
  const view = measured.value;
  // What the record contradicts, and what of it is saved, is told of all of it; what is drawn, of what the view has.
  const project = seenIn(record, view);
  const stand = standOf(project, view);
  if (!stand.ok) return err(`${view.name}: ${stand.error.message}`);
  const { setUp, setOut } = stand.value;
  const files: Output[] = [...sheets];
  const contradictions = contradictionsOf(record);
  // Said unasked: whoever prints for others should know what the record contradicts.
  for (const one of contradictions) complain(one.message);
  if (asked.save) files.push([asked.save, writeProject(record)]);
  if (asked.bodies) files.push([asked.bodies, writeBodies(record.id, bodiesOf(record))]);
  if (asked.setout) files.push([asked.setout, writeSetOut(project, view, setUp, setOut)]);
  if (asked.points) {
    const points = readText(asked.points[0]);
    if (!points.ok) return points;
    const given = readPoints(points.value);
    if (!given.ok) return err(`${asked.points[0]}: ${given.error.message}`);
    files.push([asked.points[1], writePoints(setUp, view.frame, given.value)]);
  }
  if (
    asked.svg ||
    asked.steps ||
    asked.plan ||
    asked.planPage ||
    asked.cards ||
    asked.marks ||
    asked.pdf ||
    asked.dxf ||
    asked.visible ||
    asked.findings
  ) {
    const scene = sceneOf(project);
    const began = performance.now();
    const lines = drain(visibleLinesExact(scene.prepared, setUp, view.frame));
    if (asked.visible) {
      const ms = performance.now() - began;
      files.push([asked.visible, visibleOnSheet(scene.prepared, setUp, lines, view, ms)]);
    }
    if (asked.findings) {
      const warnings = standWarnings(project, view, scene, stand.value, lines, lengthStyleOf(project));
      files.push([asked.findings, writeFindings(record, view, bodiesOf(record), contradictions, warnings)]);
    }
    const pieceId =
      asked.piece ?? project.plans.find((plan) => plan.viewId === view.id)?.pieceId ?? project.pieces[0]?.id;
    if (asked.piece !== null && !project.pieces.some((piece) => piece.id === asked.piece)) {
      return err(
        `The project has no piece “${asked.piece}”. It has: ${project.pieces.map((piece) => piece.id).join(', ')}.`,
      );
    }
    const hand = handWith(project);
    const detailMm = asked.detailMm ?? DETAIL_MM;
    const planned =
      asked.plan || asked.planPage || asked.steps || asked.cards || asked.marks || asked.construction
        ? wholePlanOf(project, view, scene, setUp, lines, { order: asked.order, hand, detailMm, way: wayAsked(asked) })
        : null;
    const paper = planned && planOnPaper(planned.whole, planShownFrom(view));
    if (planned && paper)
      files.push(...planOutputs(asked, project, view, { plan: planned.plan, paper, hand, detailMm }));
    if (planned && paper && asked.cards) {
      const title = `${project.name}: ${view.name}, ${ORDER_WORDS[asked.order]}`;
      const steps = stepCards(
        {
          ...{ view, setUp, style: lengthStyleOf(project), title, constructed: { plan: planned.plan, paper } },
          plan: planStrokes(view, setUp, scene, paper),
        },
        cardPaper(asked.cardsPaper ?? (project.units === 'imperial' ? 'letter' : 'A4')),
        asked.cardsPerPage,
      );
      files.push([asked.cards, await writePdf(drain(steps), { title, created: new Date() })]);
    }
    if (asked.svg || asked.pdf || asked.dxf) {
      const drawn =
        planned && paper && asked.construction
          ? { plan: planned.plan, paper, steps: planned.plan.steps.length }
          : undefined;
      const sheet = sheetOf(project, view, scene, stand.value, lines, pieceId ?? null, drawn);
      if (asked.svg) files.push([asked.svg, writeSvg(sheet)]);
      if (asked.dxf) files.push([asked.dxf, writeDxf(sheet)]);
      if (asked.pdf)
        files.push([
          asked.pdf,
          await writePdf([clipToSheet(sheet)], { title: `${project.name}: ${view.name}`, created: new Date() }),
        ]);
    }
  }
  return ok(files);
}

/** What was asked for in place of the project's own way of drawing. */
const wayAsked = ({ school, begin }: HeadlessArguments): Partial<PlanWay> => ({
  ...(school === null ? {} : { school }),
  ...(begin === null ? {} : { begin }),
});

/** The view with the front or the back of the room at scale, its picture as large as it is. */
function measuredIn(project: Project, view: View, measured: HeadlessArguments['measured']): Result<View, string> {
  if (measured === null) return ok(view);
  const now = resolveSetUp(project, view);
  if (!now.ok) return err(`${view.name}: ${now.error.message}`);
  const picturePlane = measuredPlanes(project, view, now.value)[measured];
  const moved = picturePlane && resolveSetUp(project, { ...view, picturePlane });
  if (!picturePlane || !moved?.ok)
    return err(`${view.name}: the room has no ${measured} before you that could be measured.`);
  const times = moved.value.pictureDistance / now.value.pictureDistance;
  return ok({ ...view, picturePlane, scaleDenominator: view.scaleDenominator * times });
}

/** The whole drawing as a plan, as far as it is asked for. */
function planOutputs(
  { plan: file, planPage: page, steps, marks }: HeadlessArguments,
  project: Project,
  view: View,
  planned: Pick<PlanGiven, 'plan' | 'paper' | 'hand' | 'detailMm'>,
): readonly Output[] {
  const { plan } = planned;
  const style = lengthStyleOf(project);
  const title = `${project.name}: ${view.name}`;
  return [
    ...(steps === null ? [] : [[steps, writeSteps(plan, view.scaleDenominator, style)] as const]),
    ...(file === null ? [] : [[file, writePlan({ viewId: view.id, ...planned, style })] as const]),
    ...(marks === null
      ? []
      : [[marks, writeMarks(marksByPass(plan, planned.paper), view.scaleDenominator, style)] as const]),
    ...(page === null ? [] : [[page, writePlanPage({ title, plan, style })] as const]),
  ];
}

/** Curves as chains so near to them, mm: the format has segments only. */
const CHAIN_MM = 0.002;

/** What is seen, on the sheet; lines that fall on one another once. */
function visibleOnSheet(
  scene: PreparedScene,
  setUp: SetUp,
  lines: VisibleLines,
  { centreOfVisionOnSheet: cv }: View,
  ms: number,
): string {
  const rows = Int32Array.from([...lines.seen.keys()].filter((row) => lines.seen[row] === 1));
  const { picture } = joinLines(lines.picture, rows);
  const chains = [...lines.curves.seen.keys()].flatMap((row) => {
    if (lines.curves.seen[row] !== 1) return [];
    const points = conicChain(conicOfRow(scene, setUp, lines, row), CHAIN_MM);
    return points.slice(1).flatMap((q, i) => [points[i]?.x ?? q.x, points[i]?.y ?? q.y, q.x, q.y]);
  });
  return writeVisible(
    Float64Array.from([...picture, ...chains]).map((value, i) => value + (i % 2 === 0 ? cv.x : cv.y)),
    ms,
  );
}

/** The whole command. @returns the exit code; messages go to `complain`, never to stdout. */
export async function run(words: readonly string[], complain: (message: string) => void): Promise<number> {
  const asked = readArguments(words);
  if (!asked.ok) {
    complain(`${asked.error}\n${USAGE}`);
    return 2;
  }
  const files = await outputs(asked.value, complain);
  if (!files.ok) {
    complain(files.error);
    return 1;
  }
  for (const [path, content] of files.value) {
    try {
      writeFileSync(path, content);
    } catch (error) {
      complain(`${path} cannot be written: ${error instanceof Error ? error.message : 'unknown reason'}.`);
      return 1;
    }
  }
  return 0;
}
