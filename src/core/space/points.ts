import type { Brand } from '@/core/base';
import type { Millimetres, PaperMillimetres } from '@/core/units';

/**
 * One type for each space, so that a sheet point cannot be taken for a board point.
 * Handedness, stated once: plan and world are x east, y north, z up; picture u right, v up, origin at the centre of
 * vision; sheet and board have their origin at the lower left corner, x right, y up; screen has y down, in CSS pixels.
 */
export type PlanPoint = Brand<{ readonly x: Millimetres; readonly y: Millimetres }, 'plan'>;
export type WorldPoint = Brand<{ readonly x: Millimetres; readonly y: Millimetres; readonly z: Millimetres }, 'world'>;
/** Seen from the eye: lateral to the right of the line of sight, depth along it, rise above the eye. */
export type EyePoint = Brand<
  { readonly lateral: Millimetres; readonly depth: Millimetres; readonly rise: Millimetres },
  'eye'
>;
export type PicturePoint = Brand<{ readonly u: PaperMillimetres; readonly v: PaperMillimetres }, 'picture'>;
export type SheetPoint = Brand<{ readonly x: PaperMillimetres; readonly y: PaperMillimetres }, 'sheet'>;
export type BoardPoint = Brand<{ readonly x: PaperMillimetres; readonly y: PaperMillimetres }, 'board'>;
export type ScreenPoint = Brand<{ readonly x: number; readonly y: number }, 'screen'>;

export const planPoint = (x: Millimetres, y: Millimetres): PlanPoint => ({ x, y }) as PlanPoint;
export const worldPoint = (x: Millimetres, y: Millimetres, z: Millimetres): WorldPoint => ({ x, y, z }) as WorldPoint;
export const eyePoint = (lateral: Millimetres, depth: Millimetres, rise: Millimetres): EyePoint =>
  ({ lateral, depth, rise }) as EyePoint;
export const picturePoint = (u: PaperMillimetres, v: PaperMillimetres): PicturePoint => ({ u, v }) as PicturePoint;
export const sheetPoint = (x: PaperMillimetres, y: PaperMillimetres): SheetPoint => ({ x, y }) as SheetPoint;
export const boardPoint = (x: PaperMillimetres, y: PaperMillimetres): BoardPoint => ({ x, y }) as BoardPoint;
export const screenPoint = (x: number, y: number): ScreenPoint => ({ x, y }) as ScreenPoint;

export const worldFromPlan = (point: PlanPoint, z: Millimetres): WorldPoint => worldPoint(point.x, point.y, z);
export const planFromWorld = (point: WorldPoint): PlanPoint => planPoint(point.x, point.y);
