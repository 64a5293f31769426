import { PRINT_PARTS, printPages, type PrintPart } from '@/core/pipeline';
import { correctedBy, NO_CORRECTION } from '@/core/drawing';
import { writePdf } from '@/core/formats/pdf';
import { readProject } from '@/core/formats/project';

/** Larger bodies are refused before they are read whole: the largest demonstration has a hundredth of this. */
export const MOST_BYTES = 8 * 1024 * 1024;
/** A print that takes longer is given up, ms. */
export const MOST_MS = 20_000;

interface Refusal {
  readonly status: 400 | 413 | 422 | 503;
  readonly reason: string;
  readonly message: string;
}

const refuse = ({ status, reason, message }: Refusal): Response =>
  Response.json({ error: { reason, message } }, { status, headers: { 'cache-control': 'no-store' } });

/** The body as text, read piece by piece, so that one too large is never held whole; null when it is too large. */
async function bodyWithin(request: Request, most: number): Promise<string | null> {
  const declared = Number(request.headers.get('content-length') ?? '0');
  if (declared > most) return null;
  const reader = request.body?.getReader();
  if (!reader) return '';
  const chunks: Uint8Array[] = [];
  let length = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    length += value.length;
    if (length > most) {
      await reader.cancel();
      return null;
    }
    chunks.push(value);
  }
  return new TextDecoder().decode(Buffer.concat(chunks));
}

const fileName = (name: string): string => name.replace(/[^A-Za-z0-9._-]+/g, '-');

/**
 * A project file in, a PDF out: the same core as the application's own prints, for offices that print in batches. It keeps nothing between
 * two requests. `clock` counts ms; `limits` are there to be tested.
 */
export async function printProject(
  request: Request,
  clock: () => number,
  created: Date,
  limits: { readonly bytes: number; readonly ms: number } = { bytes: MOST_BYTES, ms: MOST_MS },
): Promise<Response> {
  const began = clock();
  const text = await bodyWithin(request, limits.bytes);
  if (text === null)
    return refuse({
      status: 413,
      reason: 'too-large',
      message: `The project file is larger than ${Math.round(limits.bytes / 1024)} KiB.`,
    });
  if (text.trim() === '')
    return refuse({ status: 400, reason: 'empty', message: 'Send the project file as the body of the request.' });
  const read = readProject(text);
  if (!read.ok) return refuse({ status: 422, reason: read.error.reason, message: read.error.message });
  const project = read.value;

  const asked = new URL(request.url).searchParams;
  const known = ['view', 'parts', 'paper', 'across', 'down'];
  const unknown = [...asked.keys()].find((key) => !known.includes(key));
  if (unknown !== undefined)
    return refuse({
      status: 400,
      reason: 'unknown-parameter',
      message: `“${unknown}” is not known. There are ${known.join(', ')}.`,
    });
  const parts = (asked.get('parts') ?? 'table,set-out').split(',');
  const wrong = parts.find((part) => !PRINT_PARTS.includes(part as PrintPart));
  if (wrong !== undefined)
    return refuse({
      status: 400,
      reason: 'unknown-part',
      message: `“${wrong}” cannot be printed. There are ${PRINT_PARTS.join(', ')}.`,
    });
  const measured = { across: Number(asked.get('across') ?? '100'), down: Number(asked.get('down') ?? '100') };
  const correction = correctedBy(NO_CORRECTION, measured);
  if (!correction)
    return refuse({
      status: 400,
      reason: 'bad-control-line',
      message: 'across and down are what the 100 mm control lines measured on the print: from 91 to 110 mm.',
    });
  const steps = printPages(project, {
    viewId: asked.get('view') ?? project.views[0]?.id ?? '',
    parts: parts as PrintPart[],
    paper: asked.get('paper') ?? 'sheet',
    correction,
  });
  const late = (): boolean => clock() - began > limits.ms;
  const tooLong = (): Response =>
    refuse({
      status: 503,
      reason: 'time-limit',
      message: `The print took longer than ${Math.round(limits.ms / 1000)} s and was given up. Print fewer parts at a time.`,
    });
  let step = steps.next();
  while (!step.done) {
    if (late()) return tooLong();
    step = steps.next();
  }
  if (!step.value.ok)
    return refuse({ status: 422, reason: step.value.error.reason, message: step.value.error.message });
  if (late()) return tooLong();
  const bytes = await writePdf(step.value.value, { title: project.name, created });
  return new Response(bytes, {
    status: 200,
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${fileName(project.id)}.pdf"`,
      'cache-control': 'no-store',
    },
  });
}
