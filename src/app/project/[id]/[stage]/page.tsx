'use client';
import { use } from 'react';
import { notFound } from 'next/navigation';
import { OpenProject } from '../../../OpenProject';

export default function ProjectPage({
  params,
}: {
  readonly params: Promise<{ readonly id: string; readonly stage: string }>;
}) {
  const { id, stage } = use(params);
  if (stage !== 'stand' && stage !== 'draw') notFound();
  return <OpenProject id={decodeURIComponent(id)} stage={stage} />;
}
