import { type PrintJob } from '@/core/pipeline';
import type { Project } from '@/core/record';

export interface PrintRequest {
  readonly project: Project;
  readonly job: PrintJob;
  readonly title: string;
  /** Milliseconds since 1970: the file's date. */
  readonly createdMs: number;
}

/** What a person may have done wrong is refused in words; a bug fails. */
export type PrintReply =
  | { readonly kind: 'pdf'; readonly bytes: Uint8Array<ArrayBuffer>; readonly pages: number }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'failed'; readonly detail: string };

export interface PrintWorker {
  readonly print: (request: PrintRequest, progress: (done: number) => void) => Promise<PrintReply>;
}
