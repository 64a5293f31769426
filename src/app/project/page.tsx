'use client';
import { useSyncExternalStore } from 'react';
import dynamic from 'next/dynamic';
import { notFound, usePathname } from 'next/navigation';
import { Unrolling } from '../Unrolling';
import { placeOf } from './place';

const never = (): (() => void) => () => undefined;
/** What is sent is the same for every project; which one is meant is known in the browser only. */
const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/** Stages and all that belongs to them come after the page itself: together they would hold it up too long. */
const ProjectAt = dynamic(() => import('../ProjectAt').then((module) => module.ProjectAt), {
  ssr: false,
  loading: Unrolling,
});

/** `/project/<id>/<stage>` is led here (next.config.ts): one page for all projects, which can be kept for use without a network. */
export default function ProjectPage() {
  const inBrowser = useInBrowser();
  const address = usePathname();
  if (!inBrowser) return <Unrolling />;
  const place = placeOf(address);
  if (!place) notFound();
  return <ProjectAt {...place} />;
}
