'use client';
import type { FindStations, FoundStations, PlannedView, PrintJob, WholeWays, WorstMarks } from '@/core/pipeline';
import { createContext, useContext } from 'react';
import { ORDINARY_PACE, type Pace } from '@/core/construction';
import type { Correction, Drawing } from '@/core/drawing';
import type { Frame, Id, Project } from '@/core/record';
import type { SetUp } from '@/core/view';
import type { VisibleLines } from '@/core/visibility';

/** What exact lines are asked for. */
interface LinesQuestion {
  readonly project: Project;
  readonly setUp: SetUp;
  readonly frame: Frame;
}
interface LinesJob extends LinesQuestion {
  readonly done: (lines: VisibleLines) => void;
  readonly progress: (done: number) => void;
  readonly failed: (detail: string) => void;
}

/** Asks for exact lines away from the screen's thread. */
export interface LinesService {
  readonly request: (job: LinesJob) => void;
  /** Begins what will be asked for in a moment. */
  readonly ahead: (question: LinesQuestion) => void;
  /** Gives up what runs; given a job, only where that is what runs. */
  readonly cancel: (job?: LinesJob) => void;
}

/** How the work stands with what is kept; `free`: this tab reads, and no other writes any more. */
export type SaveStatus = 'saved' | 'saving' | 'failed' | 'reading-only' | 'free' | 'no-database';

/** What came of a print. */
export type Printed =
  | { readonly kind: 'pdf'; readonly bytes: Uint8Array<ArrayBuffer>; readonly pages: number }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'failed'; readonly detail: string };

/** Makes PDFs away from the screen's thread; null when the print was given up for a newer one. */
export interface PrintService {
  readonly print: (
    request: {
      readonly project: Project;
      readonly job: PrintJob;
      readonly title: string;
    },
    progress: (done: number) => void,
  ) => Promise<Printed | null>;
  readonly cancel: () => void;
}

/** A picture made of dots, or why there is none. */
export type Rastered =
  | { readonly kind: 'png'; readonly bytes: Uint8Array<ArrayBuffer> }
  | { readonly kind: 'failed'; readonly detail: string };

/** What came of a search for standing places. */
export type Searched =
  { readonly kind: 'found'; readonly stations: FoundStations } | { readonly kind: 'failed'; readonly detail: string };

/** Looks for standing places away from the screen's thread; null when the search was given up. */
export interface FindService {
  readonly find: (
    request: { readonly project: Project; readonly asked: FindStations },
    progress: (done: number) => void,
  ) => Promise<Searched | null>;
  readonly cancel: () => void;
}

/** What came of planning a view, or of looking for its worst marks. */
export type Planned =
  | { readonly kind: 'worst-marks'; readonly worst: WorstMarks }
  | { readonly kind: 'planned'; readonly planned: PlannedView }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'failed'; readonly detail: string };

/** Plans whole drawings away from the screen's thread; null when the plan was given up for a newer one. */
export interface PlanService {
  readonly plan: (
    request: {
      readonly project: Project;
      readonly viewId: Id;
      readonly ways: WholeWays;
      readonly asks: 'plans' | 'worst-marks';
    },
    progress: (done: number) => void,
  ) => Promise<Planned | null>;
  readonly cancel: () => void;
}

/** A printer and what its prints must be multiplied by to come out true. */
export interface Printer {
  readonly name: string;
  readonly correction: Correction;
}

/** A screen measured once with a ruler. */
export interface ScreenRule {
  /** CSS pixels to the millimetre when it was measured. */
  readonly pixelsPerMm: number;
  /** The browser's own ratio then: when it differs, zoom or another screen has come between. */
  readonly ratio: number;
}

/** A state of the project that is kept apart from its saves: by hand under a name, or the last of a day. */
export interface KeptStateShown {
  readonly number: number;
  readonly by: 'hand' | 'day';
  readonly name: string;
  /** ISO date and time. */
  readonly keptAt: string;
}

/** States kept of the open project. Each call fails where the browser refuses, or this tab may not write. */
export interface StatesService {
  /** Newest first. */
  readonly list: () => Promise<readonly KeptStateShown[]>;
  readonly keep: (name: string, project: Project) => Promise<void>;
  /** Null where it cannot be read. */
  readonly read: (number: number) => Promise<Project | null>;
  readonly drop: (number: number) => Promise<void>;
}

/** What belongs to this desk and not to a project: printers and screen. */
export interface DeskTools {
  readonly printers: readonly Printer[];
  readonly screen: ScreenRule | null;
  /** How long this person takes for a move of the ruler, a mark and a line. */
  readonly pace: Pace;
}

export const BARE_DESK: DeskTools = { printers: [], screen: null, pace: ORDINARY_PACE };

/** What the interface asks of the application around it: it knows neither database nor worker nor address bar. */
export interface Services {
  readonly lines: LinesService | null;
  readonly print: PrintService | null;
  readonly find: FindService | null;
  readonly plan: PlanService | null;
  /** The sheet as dots, true to size. */
  readonly raster: ((drawing: Drawing, dpi: number) => Promise<Rastered>) | null;
  readonly tools: DeskTools;
  readonly keepTools: (tools: DeskTools) => void;
  /** `holds`: the file holds all of the project as it is, so that it is no longer only here. */
  readonly takeAway: (
    fileName: string,
    type: string,
    content: string | Uint8Array<ArrayBuffer>,
    holds?: 'the-project',
  ) => void;
  /** Null where nothing can be kept. */
  readonly states: StatesService | null;
  readonly goHome: () => void;
  /** Goes to a stage, by its id. */
  readonly goTo: (stageId: string) => void;
}

/** How the work stands with what is kept. It changes twice with every edit: asked for only where it is shown, or decides what may be done. */
export interface Saving {
  readonly saveStatus: SaveStatus;
  /** Why something is not kept, and what to do. */
  readonly saveTrouble: string | null;
  readonly takeOver: () => void;
  /** Null where trying again is of no use. */
  readonly saveAgain: (() => void) | null;
}

const SavingContext = createContext<Saving | null>(null);
export const SavingProvider = SavingContext.Provider;

export function useSaving(): Saving {
  const saving = useContext(SavingContext);
  if (!saving) throw new Error('Saving is provided by the application');
  return saving;
}

const ServicesContext = createContext<Services | null>(null);
export const ServicesProvider = ServicesContext.Provider;

export function useServices(): Services {
  const services = useContext(ServicesContext);
  if (!services) throw new Error('Services are provided by the application');
  return services;
}
