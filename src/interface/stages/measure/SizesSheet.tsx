'use client';
import dynamic from 'next/dynamic';
import { nameOfThing } from '@/core/record';
import type { Sheet } from '@/interface/frame';
import { useSession } from '@/interface/session';
import type { Measuring } from './use-measure';

// The table's library is large, and most of the time nobody looks at the table.
const SizesTable = dynamic(() => import('./SizesTable').then((module) => module.SizesTable), { ssr: false });

function Sizes({ given: { chosen }, close }: { readonly given: Measuring; readonly close: () => void }) {
  const { project } = useSession();
  return (
    <SizesTable
      close={close}
      choose={(id) => {
        if (nameOfThing(project, id) !== id) chosen.choose(id, false);
      }}
    />
  );
}

export const sizes: Sheet<Measuring> = {
  button: 'all sizes',
  key: { keys: 'l', shown: 'L', does: 'list of all sizes' },
  changes: false,
  Dialog: Sizes,
};
