'use client';
import { notFound } from 'next/navigation';
import { STAGES } from '@/interface/stages';
import { OpenProject } from './OpenProject';

/** A project at one of the stages, by their names in the address. */
export function ProjectAt({ id, stage }: { readonly id: string; readonly stage: string }) {
  if (!STAGES.some((one) => one.id === stage)) notFound();
  return <OpenProject key={id} id={id} stage={stage} />;
}
