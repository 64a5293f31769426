import { PRINT_PARTS, printPages, type PrintPart } from '@/core/pipeline';
import { correctedBy, NO_CORRECTION } from '@/core/drawing';
import { writePdf } from '@/core/formats/pdf';
import { readProject } from '@/core/formats/project';
import type { Refused } from './refusals';

/** One print as it is given to its thread. */
export interface PrintOrder {
  /** The project file as it came, UTF-8. */
  readonly file: Uint8Array<ArrayBuffer>;
  /** The query of the address, with or without its question mark. */
  readonly query: string;
  /** Milliseconds since 1970: the file's date. */
  readonly createdMs: number;
}

export type Print =
  | { readonly kind: 'pdf'; readonly bytes: Uint8Array<ArrayBuffer>; readonly fileName: string }
  | { readonly kind: 'refused'; readonly reason: Refused; readonly message: string }
  | { readonly kind: 'file-refused'; readonly reason: string; readonly message: string };

const refused = (reason: Refused, message: string): Print => ({ kind: 'refused', reason, message });
const fileName = (name: string): string => name.replace(/[^A-Za-z0-9._-]+/g, '-');
const KNOWN = ['view', 'parts', 'paper', 'across', 'down'];

/** A project file in, a PDF out: the same core as the application's own prints. Runs until it is done; whoever asks sets its limits. */
export async function makePrint({ file, query, createdMs }: PrintOrder): Promise<Print> {
  const text = new TextDecoder().decode(file);
  if (text.trim() === '') return refused('empty', 'Send the project file as the body of the request.');
  const asked = new URLSearchParams(query);
  const unknown = [...asked.keys()].find((key) => !KNOWN.includes(key));
  if (unknown !== undefined)
    return refused('unknown-parameter', `“${unknown}” is not known. There are ${KNOWN.join(', ')}.`);
  const parts = (asked.get('parts') ?? 'table,set-out').split(',');
  const wrong = parts.find((part) => !PRINT_PARTS.includes(part as PrintPart));
  if (wrong !== undefined)
    return refused('unknown-part', `“${wrong}” cannot be printed. There are ${PRINT_PARTS.join(', ')}.`);
  const correction = correctedBy(NO_CORRECTION, {
    across: Number(asked.get('across') ?? '100'),
    down: Number(asked.get('down') ?? '100'),
  });
  if (!correction)
    return refused(
      'bad-control-line',
      'across and down are what the 100 mm control lines measured on the print: from 91 to 110 mm.',
    );
  const read = readProject(text);
  if (!read.ok) return { kind: 'file-refused', reason: read.error.reason, message: read.error.message };
  const project = read.value;
  const steps = printPages(project, {
    viewId: asked.get('view') ?? project.views[0]?.id ?? '',
    parts: parts as PrintPart[],
    paper: asked.get('paper') ?? 'sheet',
    correction,
  });
  let step = steps.next();
  while (!step.done) step = steps.next();
  if (!step.value.ok)
    return { kind: 'file-refused', reason: step.value.error.reason, message: step.value.error.message };
  const bytes = await writePdf(step.value.value, { title: project.name, created: new Date(createdMs) });
  return { kind: 'pdf', bytes, fileName: `${fileName(project.id)}.pdf` };
}
