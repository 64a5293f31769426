import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { writeProject } from '@/core/formats/project';
import { readPdf } from '@/testing/read-pdf';
import { makePrint } from './make-print';
import { PRINT_LIMITS, PrintDesk, type MakePrint, type PrintLimits } from './print-project';
import { STATUS_OF } from './refusals';

const loft = at(DEMOS, 0);
const created = new Date('2026-01-02T03:04:05Z');
/** Made here and now, without a thread. */
const made: MakePrint = async (order) => ({ kind: 'done', value: await makePrint(order) });
const desk = (make: MakePrint = made, limits: Partial<PrintLimits> = {}) =>
  new PrintDesk(make, () => created, { ...PRINT_LIMITS, ...limits });
const JSON_TYPE = { 'content-type': 'application/json', host: 'desk.invalid' };
const posted = (
  query: string,
  body: BodyInit | null = writeProject(loft),
  headers: Readonly<Record<string, string>> = JSON_TYPE,
): Request =>
  new Request(`http://desk.invalid/api/print${query}`, {
    method: 'POST',
    body,
    headers,
    duplex: 'half',
  } as RequestInit);
const ask = (query: string, body?: BodyInit | null) => desk().print(posted(query, body));
const refusal = async (response: Response) => {
  const text = await response.text();
  expect(Buffer.byteLength(text)).toBeLessThan(1024);
  const { error } = JSON.parse(text) as { error: { reason: string; message: string } };
  return { status: response.status, ...error };
};
const never = () => new ReadableStream<Uint8Array>({ pull: () => new Promise(() => undefined) });

describe('a project file posted for print', () => {
  it('comes back as a PDF of the sheet’s size, with the table before it', async () => {
    const response = await ask('');
    expect(response.status).toBe(200);
    expect(response.headers.get('content-type')).toBe('application/pdf');
    expect(response.headers.get('content-disposition')).toBe('attachment; filename="weaving-loft.pdf"');
    const pages = await readPdf(new Uint8Array(await response.arrayBuffer()));
    const last = at(pages, pages.length - 1);
    const { sheet } = at(loft.views, 0);
    expect(last.width).toBeCloseTo(sheet.width, 3);
    expect(last.height).toBeCloseTo(sheet.height, 3);
    expect(pages[0]?.width).toBeCloseTo(210, 3);
    expect(pages[0]?.words.some((word) => word.text.includes('Zero across'))).toBe(true);
  });
  it('takes view, parts, paper and what the control lines measured', async () => {
    const imperial = at(DEMOS, 2);
    const response = await ask(
      `?view=${at(imperial.views, 0).id}&parts=picture&paper=letter&across=101`,
      writeProject(imperial),
    );
    const pages = await readPdf(new Uint8Array(await response.arrayBuffer()));
    expect(pages.length).toBeGreaterThan(2);
    const lengths = pages.map((page) =>
      page.lines.filter((one) => Math.abs(one.y0 - one.y1) < 1e-6).map((one) => Math.abs(one.x1 - one.x0)),
    );
    for (const page of lengths) expect(page.some((length) => Math.abs(length - 100 / 1.01) < 1e-3)).toBe(true);
  });
  it.each<[string, string, BodyInit | null, number, RegExp]>([
    ['nothing', '', '', 400, /body/],
    ['no project', '', '{"kind":"other"}', 422, /not a Bathyskop project/],
    ['half a file', '', '{"kind": "bathy', 422, /cut short/],
    ['a view that is not there', '?view=nowhere', writeProject(loft), 422, /no view “nowhere”/],
    ['a part nobody knows', '?parts=walls', writeProject(loft), 400, /cannot be printed/],
    ['a paper nobody knows', '?paper=vellum', writeProject(loft), 422, /vellum/],
    ['a parameter nobody knows', '?colour=red', writeProject(loft), 400, /colour/],
    ['a control line no printer makes', '?across=50', writeProject(loft), 400, /91 to 110/],
    ['a grid where none is chosen', '?parts=grid', writeProject(loft), 422, /no grid/],
    ['a name of a mile', `?view=${'y'.repeat(6000)}`, writeProject(loft), 422, /no view “y+…/],
    ['a name of control signs', `?${'%01'.repeat(900)}=1`, writeProject(loft), 400, /not known/],
  ])('refuses %s in words', async (_, query, body, status, message) => {
    const refused = await refusal(await ask(query, body));
    expect(refused.status).toBe(status);
    expect(refused.message).toMatch(message);
  });
  it('keeps nothing: the same file asked twice is the same print', async () => {
    const [a, b] = await Promise.all([ask('?parts=table'), ask('?parts=table')]);
    expect(await a.arrayBuffer()).toEqual(await b.arrayBuffer());
  });
});

describe('what is refused before a print is made', () => {
  const unmade: MakePrint = () => Promise.reject(new Error('nothing was to be made'));
  const sent = (headers: Readonly<Record<string, string>>) =>
    desk(unmade).print(posted('', writeProject(loft), { host: 'desk.invalid', ...headers }));

  it.each<[string, Record<string, string>, number, string]>([
    ['a form’s plain text', { 'content-type': 'text/plain' }, 415, 'other-type'],
    ['a form’s fields', { 'content-type': 'multipart/form-data; boundary=application/json' }, 415, 'other-type'],
    ['another site’s page', { ...JSON_TYPE, origin: 'http://other.invalid' }, 403, 'other-origin'],
    ['a page without a name', { ...JSON_TYPE, origin: 'null' }, 403, 'other-origin'],
    ['another door of the same house', { ...JSON_TYPE, origin: 'http://desk.invalid:81' }, 403, 'other-origin'],
    ['a browser that says so', { ...JSON_TYPE, 'sec-fetch-site': 'cross-site' }, 403, 'other-origin'],
    ['nine megabytes declared', { ...JSON_TYPE, 'content-length': '9437184' }, 413, 'too-large'],
  ])('%s', async (_, headers, status, reason) => {
    expect(await refusal(await sent(headers))).toMatchObject({ status, reason });
  });
  it('lets its own pages in, and a type with its parameters', async () => {
    const headers = { ...JSON_TYPE, 'content-type': 'application/JSON; charset=utf-8', origin: 'http://desk.invalid' };
    expect((await desk().print(posted('?parts=table', writeProject(loft), headers))).status).toBe(200);
  });
  it('a body without an end, as soon as it is too large', async () => {
    let given = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull: (to) => {
        given += 600;
        to.enqueue(new Uint8Array(600).fill(120));
      },
    });
    const response = await desk(unmade, { bytes: 5000 }).print(posted('', endless));
    // More is thrown away later, while the sender is told.
    const givenThen = given;
    expect(await refusal(response)).toMatchObject({ status: 413, reason: 'too-large' });
    expect(response.headers.get('connection')).toBe('close');
    expect(givenThen).toBeLessThan(8000);
  });
  it('a body that does not come', async () => {
    const slow = await desk(unmade, { bodyMs: 30 }).print(posted('', never()));
    expect(await refusal(slow)).toMatchObject({ status: 408, reason: 'too-slow' });
  });
  it('more bodies on their way at once than the desk takes, until one has come', async () => {
    const busy = desk(made, { bodies: 1, bodyMs: 30 });
    const first = busy.print(posted('', never()));
    const second = await busy.print(posted('?parts=table'));
    expect(second.headers.get('retry-after')).toBe('5');
    expect(await refusal(second)).toMatchObject({ status: 503, reason: 'busy' });
    expect((await first).status).toBe(408);
    expect((await busy.print(posted('?parts=table'))).status).toBe(200);
  });
});

describe('how a print that was begun may end', () => {
  it.each([
    ['busy', 503],
    ['time-limit', 422],
    ['memory-limit', 422],
  ] as const)('%s is %i', async (kind, status) => {
    expect(await refusal(await desk(() => Promise.resolve({ kind })).print(posted('')))).toMatchObject({
      status,
      reason: kind,
    });
  });
  it('a fault of ours says nothing of what is inside', async () => {
    const response = await desk(() => Promise.resolve({ kind: 'failed', detail: '/inside/secret.ts' })).print(
      posted(''),
    );
    const said = await refusal(response);
    expect(said).toMatchObject({ status: 500, reason: 'failed' });
    expect(said.message).not.toContain('secret');
  });
  it('every reason has its status in the documentation', async () => {
    const { readFileSync } = await import('node:fs');
    const format = readFileSync('docs/format.md', 'utf8');
    for (const [reason, status] of Object.entries(STATUS_OF)) expect(format).toContain(`${status} \`${reason}\``);
  });
});
