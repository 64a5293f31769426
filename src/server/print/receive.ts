import { err, ok, type Result } from '@/core/base';
import { LINGER_MS, type Refused } from './refusals';

export interface Receiving {
  readonly bytes: number;
  /** For the whole body, ms. */
  readonly ms: number;
}

interface NotReceived {
  readonly reason: Refused;
  readonly message: string;
}

const tooLarge = (most: Receiving): Result<never, NotReceived> =>
  err({
    reason: 'too-large',
    message: `The project file is larger than ${Math.round(most.bytes / 1024)} KiB.`,
  });

/** The browser says where a request comes from; a script or a batch says nothing. */
function fromElsewhere(headers: Headers): boolean {
  if (headers.get('sec-fetch-site') === 'cross-site') return true;
  const origin = headers.get('origin');
  if (origin === null) return false;
  return !URL.canParse(origin) || new URL(origin).host !== headers.get('host');
}

/** What is wrong with a request by its headers alone; null when nothing is. */
export function faultOfHeaders(headers: Headers, most: Receiving): NotReceived | null {
  if (fromElsewhere(headers))
    return { reason: 'other-origin', message: 'Prints are made for the application’s own pages and for batches.' };
  if ((headers.get('content-type') ?? '').split(';')[0]?.trim().toLowerCase() !== 'application/json')
    return { reason: 'other-type', message: 'Send the project file as application/json.' };
  const declared = tooLarge(most);
  return Number(headers.get('content-length') ?? '0') > most.bytes && !declared.ok ? declared.error : null;
}

/** What still comes is thrown away while the sender is told, then the way is shut. */
async function cutOff(reader: ReadableStreamDefaultReader<Uint8Array>): Promise<void> {
  setTimeout(() => void reader.cancel().catch(() => undefined), LINGER_MS);
  try {
    // The timers have their turn even where the next piece is always there already.
    while (!(await reader.read()).done) await new Promise(setImmediate);
  } catch {
    // It broke off by itself.
  }
}

/** The body, read piece by piece, so that one too large is never held whole, and cut off when it takes too long. */
export async function receive(
  body: ReadableStream<Uint8Array> | null,
  most: Receiving,
): Promise<Result<Uint8Array<ArrayBuffer>, NotReceived>> {
  if (!body) return ok(new Uint8Array());
  const reader = body.getReader();
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<'late'>((resolve) => {
    timer = setTimeout(() => resolve('late'), most.ms);
  });
  const chunks: Uint8Array[] = [];
  let length = 0;
  try {
    for (;;) {
      const read = await Promise.race([reader.read(), late]);
      if (read === 'late') {
        void cutOff(reader);
        return err({
          reason: 'too-slow',
          message: `The project file had not come after ${Math.round(most.ms / 1000)} s.`,
        });
      }
      if (read.done) break;
      length += read.value.length;
      if (length > most.bytes) {
        void cutOff(reader);
        return tooLarge(most);
      }
      chunks.push(read.value);
    }
  } catch {
    return err({ reason: 'empty', message: 'The project file broke off on its way.' });
  } finally {
    clearTimeout(timer);
  }
  const whole = new Uint8Array(length);
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return ok(whole);
}
