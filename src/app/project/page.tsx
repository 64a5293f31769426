'use client';
import { useSyncExternalStore } from 'react';
import { notFound, usePathname } from 'next/navigation';
import { STAGES } from '@/interface/stages';
import { OpenProject, Unrolling } from '../OpenProject';
import { placeOf } from './place';

const never = (): (() => void) => () => undefined;
/** What is sent is the same for every project; which one is meant is known in the browser only. */
const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/** `/project/<id>/<stage>` is led here (next.config.ts): one page for all projects, which can be kept for use without a network. */
export default function ProjectPage() {
  const inBrowser = useInBrowser();
  const address = usePathname();
  if (!inBrowser) return <Unrolling />;
  const place = placeOf(address);
  const stage = STAGES.find((one) => one.id === place?.stage);
  if (!place || !stage) notFound();
  return <OpenProject key={place.id} id={place.id} stage={stage.id} />;
}
