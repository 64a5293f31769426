import { type FindStations, type FoundStations } from '@/core/pipeline';
import type { Project } from '@/core/record';

export interface FindRequest {
  readonly project: Project;
  readonly asked: FindStations;
}

export type FindReply =
  { readonly kind: 'found'; readonly stations: FoundStations } | { readonly kind: 'failed'; readonly detail: string };

export interface FindWorker {
  readonly find: (request: FindRequest, progress: (done: number) => void) => Promise<FindReply>;
}
