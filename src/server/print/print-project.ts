import type { Print, PrintOrder } from './make-print';
import { faultOfHeaders, receive } from './receive';
import { refuse, refuseFile } from './refusals';
import type { Ended } from './threads';

export interface PrintLimits {
  /** Larger bodies are refused before they are read whole: the largest demonstration has a hundredth of this. */
  readonly bytes: number;
  /** A body that has not come by then is cut off, ms. */
  readonly bodyMs: number;
  /** Bodies on their way at once. */
  readonly bodies: number;
}
export const PRINT_LIMITS: PrintLimits = { bytes: 8 * 1024 * 1024, bodyMs: 10_000, bodies: 16 };
/** A print that takes longer is ended, ms. */
export const MOST_MS = 20_000;

export type MakePrint = (order: PrintOrder) => Promise<Ended<Print>>;

const BUSY = 'As many prints as this machine makes at once are being made. Come again in a few seconds.';

/**
 * A project file in, a PDF out, for offices that print in batches. It keeps nothing between two requests. `make` makes the print elsewhere and
 * says how that ended; nothing of it is done here, so that the pages are answered meanwhile.
 */
export class PrintDesk {
  #arriving = 0;

  constructor(
    private readonly make: MakePrint,
    private readonly now: () => Date,
    private readonly limits: PrintLimits = PRINT_LIMITS,
  ) {}

  async print(request: Request): Promise<Response> {
    const { bytes, bodyMs, bodies } = this.limits;
    const fault = faultOfHeaders(request.headers, { bytes, ms: bodyMs });
    if (fault) return refuse(fault.reason, fault.message);
    if (this.#arriving >= bodies) return refuse('busy', BUSY);
    this.#arriving += 1;
    const file = await receive(request.body, { bytes, ms: bodyMs }).finally(() => (this.#arriving -= 1));
    if (!file.ok) return refuse(file.error.reason, file.error.message);
    const ended = await this.make({
      file: file.value,
      query: new URL(request.url).search,
      createdMs: this.now().getTime(),
    });
    if (ended.kind === 'busy') return refuse('busy', BUSY);
    if (ended.kind === 'time-limit')
      return refuse(
        'time-limit',
        `The print took longer than ${MOST_MS / 1000} s and was ended. Print fewer parts at a time.`,
      );
    if (ended.kind === 'memory-limit')
      return refuse('memory-limit', 'The print wanted more memory than it is given and was ended. Print fewer parts.');
    // What went wrong inside is not told outside.
    if (ended.kind === 'failed') return refuse('failed', 'The print failed. The fault is ours, not the file’s.');
    const print = ended.value;
    if (print.kind === 'refused') return refuse(print.reason, print.message);
    if (print.kind === 'file-refused') return refuseFile(print.reason, print.message);
    return new Response(print.bytes, {
      status: 200,
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `attachment; filename="${print.fileName}"`,
        'cache-control': 'no-store',
      },
    });
  }
}
