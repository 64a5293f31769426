import type { Thumbnail } from '@/core/pipeline';
import type { Project } from '@/core/record';

/** A small picture of a project's first view; null where it cannot be drawn from where it stands. */
export type SmallPictureReply =
  { readonly kind: 'made'; readonly picture: Thumbnail | null } | { readonly kind: 'failed'; readonly detail: string };

export interface SmallPictureWorker {
  readonly draw: (project: Project, alive: (done: number) => void) => SmallPictureReply | Promise<SmallPictureReply>;
}
