import { ORDERS } from '@/core/construction';
import type { LaidStroke } from '@/core/drawing';
import type { PlayedStep, PlayerData } from '@/core/formats/player';
import { SCHOOLS } from '@/core/construction';
import type { FrozenPlan } from './frozen-plan';

type Fields = Readonly<Record<string, unknown>>;
const fieldsOf = (value: unknown): Fields => (typeof value === 'object' && value !== null ? (value as Fields) : {});
const isText = (value: unknown): value is string => typeof value === 'string';
const isFigure = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
const listOf = <T>(value: unknown, is: (one: unknown) => one is T): readonly T[] | null =>
  Array.isArray(value) && value.every(is) ? value : null;
const isFigures = (value: unknown): value is readonly number[] => listOf(value, isFigure) !== null;
const isRow = (value: unknown): value is readonly string[] => listOf(value, isText) !== null;

function isStroke(value: unknown): value is LaidStroke {
  const { id, is, called, chains, ends } = fieldsOf(value);
  return (
    isText(id) &&
    ['mark', 'line', 'stays'].some((one) => one === is) &&
    isText(called) &&
    listOf(chains, isFigures) !== null &&
    (ends === undefined || isRow(ends))
  );
}

function isStep(value: unknown): value is PlayedStep {
  const { title, says, because, rows, light, firm, marks, makes, strokes } = fieldsOf(value);
  return (
    isText(title) &&
    isText(because) &&
    [says, strokes].every(isRow) &&
    listOf(rows, isRow) !== null &&
    [light, firm, marks, makes].every(isFigures)
  );
}

const isMark = (value: unknown): value is PlayerData['marks'][number] =>
  Array.isArray(value) && value.length === 3 && isText(value[0]) && isFigure(value[1]) && isFigure(value[2]);

function isPage(value: unknown): value is PlayerData {
  const { projectId, viewId, order, title, digest, sheet, frame, plan, marks, steps, drawn } = fieldsOf(value);
  return (
    [projectId, viewId, order, title, digest].every(isText) &&
    [sheet, frame, plan].every(isFigures) &&
    listOf(marks, isMark) !== null &&
    listOf(steps, isStep) !== null &&
    isRow(drawn)
  );
}

/** A frozen plan as it was kept; null where it cannot be read. */
export function readFrozen(value: unknown): FrozenPlan | null {
  const { digest, frozenAt, record, school, order, strokes, page, spare } = fieldsOf(value);
  const [of, by] = [Object.values(SCHOOLS).find((one) => one.name === school), ORDERS.find((one) => one === order)];
  const [laid, left] = [listOf(strokes, isStroke), listOf(spare, isText)];
  if (!isText(digest) || !isText(frozenAt) || Number.isNaN(Date.parse(frozenAt)) || !isText(record)) return null;
  if (!of || !by || !laid || !left || !isPage(page)) return null;
  return { digest, frozenAt, record, school: of.name, order: by, strokes: laid, page, spare: left };
}
