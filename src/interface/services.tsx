'use client';
import { createContext, useContext } from 'react';
import type { Frame, Project } from '@/core/record';
import type { SetUp } from '@/core/view';
import type { VisibleLines } from '@/core/visibility';

/** Asks for exact lines away from the screen's thread. */
export interface LinesService {
  readonly request: (job: {
    readonly project: Project;
    readonly set: SetUp;
    readonly frame: Frame;
    readonly done: (lines: VisibleLines) => void;
    readonly progress: (done: number) => void;
    readonly failed: (detail: string) => void;
  }) => void;
  readonly cancel: () => void;
}

export type Keeping = 'saved' | 'saving' | 'failed' | 'reading-only' | 'no-database';
export type Stage = 'measure' | 'stand' | 'draw';
export const STAGES: readonly Stage[] = ['measure', 'stand', 'draw'];

/** What the interface asks of the application around it: it knows neither database nor worker nor address bar. */
export interface Services {
  readonly lines: LinesService | null;
  readonly keeping: Keeping;
  readonly takeOver: () => void;
  readonly saveAgain: () => void;
  readonly takeAway: (fileName: string, type: string, text: string) => void;
  readonly goHome: () => void;
  readonly goTo: (stage: Stage) => void;
}

const ServicesContext = createContext<Services | null>(null);
export const ServicesProvider = ServicesContext.Provider;

export function useServices(): Services {
  const services = useContext(ServicesContext);
  if (!services) throw new Error('Services are provided by the application');
  return services;
}
