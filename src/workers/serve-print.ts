import { printPages } from '@/core/pipeline';
import { writePdf } from '@/core/formats/pdf';
import type { PrintReply, PrintWorker } from './print-protocol';

/** The printing worker's side, apart from its thread. */
export function servePrint(send: (reply: PrintReply) => PrintReply = (reply) => reply): PrintWorker {
  return {
    print: async ({ project, job, title, createdMs }, progress) => {
      try {
        const steps = printPages(project, job);
        let step = steps.next();
        while (!step.done) {
          progress(step.value);
          step = steps.next();
        }
        if (!step.value.ok) return { kind: 'refused', message: step.value.error.message };
        const pages = step.value.value;
        const bytes = await writePdf(pages, { title, created: new Date(createdMs) });
        progress(1);
        return send({ kind: 'pdf', bytes, pages: pages.length });
      } catch (error) {
        return { kind: 'failed', detail: error instanceof Error ? error.message : 'unknown' };
      }
    },
  };
}
