import { readFileSync, writeFileSync } from 'node:fs';
import { err, ok, type Result } from '@/core/base';
import { constructionOf, contactSheet, sceneOf, sheetOf, standOf } from '@/core/drawing';
import { readPoints, writePoints } from '@/core/formats/points';
import { readProject } from '@/core/formats/project';
import { writeSvg } from '@/core/formats/svg';
import { writeSetOut, writeSteps } from '@/core/formats/tables';
import { lengthStyleOf } from '@/core/record';
import { drain, visibleLinesExact } from '@/core/visibility';
import { readArguments, USAGE, type HeadlessArguments } from './arguments';

const readText = (path: string): Result<string, string> => {
  try {
    return ok(readFileSync(path, 'utf8'));
  } catch (error) {
    return err(`${path} cannot be read: ${error instanceof Error ? error.message : 'unknown reason'}.`);
  }
};

/** Computes everything that was asked for before it writes anything: a refusal leaves no half of the files behind. */
function outputs(asked: HeadlessArguments): Result<readonly (readonly [path: string, text: string])[], string> {
  const sheets: (readonly [string, string])[] = asked.contactSheet
    ? [[asked.contactSheet, writeSvg(contactSheet())]]
    : [];
  if (asked.project === '') return ok(sheets);
  const text = readText(asked.project);
  if (!text.ok) return text;
  const read = readProject(text.value);
  if (!read.ok) return err(`${asked.project}: ${read.error.message}`);
  const project = read.value;
  const view = asked.view === null ? project.views[0] : project.views.find((one) => one.id === asked.view);
  if (!view)
    return err(
      `The project has no view “${asked.view ?? ''}”. It has: ${project.views.map((one) => one.id).join(', ')}.`,
    );
  const stand = standOf(project, view);
  if (!stand.ok) return err(`${view.name}: ${stand.error.message}`);
  const { set, setOut } = stand.value;
  const files: (readonly [string, string])[] = [...sheets];
  if (asked.setout) files.push([asked.setout, writeSetOut(project, view, set, setOut)]);
  if (asked.points) {
    const points = readText(asked.points[0]);
    if (!points.ok) return points;
    const given = readPoints(points.value);
    if (!given.ok) return err(`${asked.points[0]}: ${given.error.message}`);
    files.push([asked.points[1], writePoints(set, view.frame, given.value)]);
  }
  if (asked.svg || asked.steps) {
    const scene = sceneOf(project);
    const lines = drain(visibleLinesExact(scene.prepared, set, view.frame));
    const pieceId =
      asked.piece ?? project.plans.find((plan) => plan.viewId === view.id)?.pieceId ?? project.pieces[0]?.id;
    if (asked.piece !== null && !project.pieces.some((piece) => piece.id === asked.piece)) {
      return err(
        `The project has no piece “${asked.piece}”. It has: ${project.pieces.map((piece) => piece.id).join(', ')}.`,
      );
    }
    const construction =
      pieceId === undefined ? null : constructionOf(project, view, pieceId, scene, stand.value, lines);
    if (asked.steps) {
      if (!construction) return err('The project has no piece to construct.');
      if (!construction.ok) return err(construction.error.message);
      files.push([asked.steps, writeSteps(construction.value.plan, lengthStyleOf(project))]);
    }
    if (asked.svg) {
      const drawn = construction?.ok
        ? { ...construction.value, steps: construction.value.plan.steps.length }
        : undefined;
      files.push([asked.svg, writeSvg(sheetOf(project, view, scene, stand.value, lines, pieceId ?? null, drawn))]);
    }
  }
  return ok(files);
}

/** The whole command. @returns the exit code; messages go to `complain`, never to stdout. */
export function run(words: readonly string[], complain: (message: string) => void): number {
  const asked = readArguments(words);
  if (!asked.ok) {
    complain(`${asked.error}\n${USAGE}`);
    return 2;
  }
  const files = outputs(asked.value);
  if (!files.ok) {
    complain(files.error);
    return 1;
  }
  for (const [path, text] of files.value) {
    try {
      writeFileSync(path, text);
    } catch (error) {
      complain(`${path} cannot be written: ${error instanceof Error ? error.message : 'unknown reason'}.`);
      return 1;
    }
  }
  return 0;
}
