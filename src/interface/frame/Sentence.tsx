'use client';
import type { ReactNode } from 'react';

const APART = { marginBottom: 8.8 } as const;

/** How a sentence gives way where the margin is too short for all of them. */
export interface Folds {
  /** The least is folded first: what is least at hand. */
  readonly order: number;
  /** What it is about, in a few words: what is left of it then, and opens it again. */
  readonly says: string;
}

/** One sentence of the margin. */
export function Sentence({ children, folds }: { readonly children: ReactNode; readonly folds?: Folds }) {
  if (!folds)
    return (
      <p className="sentence" style={APART}>
        {children}
      </p>
    );
  return (
    <p className="sentence" style={APART} data-folds={folds.order}>
      <span className="whole">{children}</span>
      <button type="button" className="short">
        {`${folds.says}\u00a0…`}
      </button>
    </p>
  );
}
