'use client';
import { use } from 'react';
import { notFound } from 'next/navigation';
import { STAGES } from '@/interface/stages';
import { OpenProject } from '../../../OpenProject';

export default function ProjectPage({
  params,
}: {
  readonly params: Promise<{ readonly id: string; readonly stage: string }>;
}) {
  const { id, stage } = use(params);
  const known = STAGES.find((one) => one.id === stage);
  if (!known) notFound();
  return <OpenProject id={decodeURIComponent(id)} stage={known.id} />;
}
