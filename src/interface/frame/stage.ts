import { createContext, useContext, type ComponentType } from 'react';
import type { Session, WorkedOut } from '@/interface/session';
import type { Key, ShownKey } from './key';
import type { Sheet } from './sheet';

/** What a stage lacks of those before it, and the stage where that is mended. */
export interface Lack {
  readonly says: string;
  /** What the button says that leads there. */
  readonly way: string;
  readonly stage: string;
}

/** One stage of the work: a folder in `stages` and a line in their index. */
export interface Stage {
  /** As the address has it. */
  readonly id: string;
  /** As the title line has it: plain words. */
  readonly name: string;
  /** The letter that leads here. */
  readonly key: ShownKey;
  /** Whether it follows the stage listed before it, or lies beside the work. */
  readonly order: 'in-the-work' | 'beside-the-work';
  /** What the button says by which the stage before leads here; null while nothing does. */
  readonly invites: (at: Session & WorkedOut) => string | null;
  readonly lacks: (at: Session & WorkedOut) => Lack | null;
  /** What its keys do and what can be laid over it; its screen says with what they are given. */
  readonly keys: readonly Key<never>[];
  readonly sheets: readonly Sheet<never>[];
  /** Whether one works in the picture, or has it beside what one works at: there it follows an edit two frames later. */
  readonly picture: 'worked-in' | 'beside';
  /** Renders the shared frame, filled. */
  readonly Screen: ComponentType;
}

/** All stages, and the one at hand. */
export interface Stages {
  readonly all: readonly Stage[];
  readonly here: Stage;
}

const StagesContext = createContext<Stages | null>(null);
export const StagesProvider = StagesContext.Provider;

export function useStages(): Stages {
  const stages = useContext(StagesContext);
  if (!stages) throw new Error('The workbench says which stages there are');
  return stages;
}

/** The stage that follows in the work; none after the last, nor after one that lies beside. */
export function stageAfter({ all, here }: Stages): Stage | undefined {
  const work = all.filter((one) => one.order === 'in-the-work');
  const at = work.indexOf(here);
  return at < 0 ? undefined : work[at + 1];
}
