'use client';
import type { ReactNode } from 'react';

const APART = { marginBottom: 8.8 } as const;

/** One sentence of the margin. */
export function Sentence({ children }: { readonly children: ReactNode }) {
  return (
    <p className="sentence" style={APART}>
      {children}
    </p>
  );
}
