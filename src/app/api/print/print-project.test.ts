import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { writeProject } from '@/core/formats/project';
import { readPdf } from '@/testing/read-pdf';
import { printProject } from './print-project';

const tea = at(DEMOS, 0);
const created = new Date('2026-01-02T03:04:05Z');
const still = (): number => 0;
const ask = (
  query: string,
  body: BodyInit | null = writeProject(tea),
  limits?: { bytes: number; ms: number },
  clock = still,
) =>
  printProject(new Request(`http://desk.invalid/api/print${query}`, { method: 'POST', body }), clock, created, limits);
const refusal = async (response: Response) => ({
  status: response.status,
  ...((await response.json()) as { error: { reason: string; message: string } }).error,
});

describe('a project file posted for print', () => {
  it('comes back as a PDF of the sheet’s size, with the table before it', async () => {
    const response = await ask('');
    expect(response.status).toBe(200);
    expect(response.headers.get('content-type')).toBe('application/pdf');
    const pages = await readPdf(new Uint8Array(await response.arrayBuffer()));
    const last = at(pages, pages.length - 1);
    const { sheet } = at(tea.views, 0);
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
    ['a view that is not there', '?view=nowhere', writeProject(tea), 422, /no view “nowhere”/],
    ['a part nobody knows', '?parts=walls', writeProject(tea), 400, /cannot be printed/],
    ['a paper nobody knows', '?paper=vellum', writeProject(tea), 422, /vellum/],
    ['a parameter nobody knows', '?colour=red', writeProject(tea), 400, /colour/],
    ['a control line no printer makes', '?across=50', writeProject(tea), 400, /91 to 110/],
    ['a grid where none is chosen', '?parts=grid', writeProject(tea), 422, /no grid/],
  ])('refuses %s in words', async (_, query, body, status, message) => {
    const refused = await refusal(await ask(query, body));
    expect(refused.status).toBe(status);
    expect(refused.message).toMatch(message);
  });
  it('refuses a body over the limit before it is read, declared or not, and one that takes too long', async () => {
    expect(await refusal(await ask('', 'x'.repeat(2000), { bytes: 1000, ms: 1e9 }))).toMatchObject({ status: 413 });
    const endless = new ReadableStream<Uint8Array>({ pull: (to) => to.enqueue(new Uint8Array(600).fill(120)) });
    const request = new Request('http://desk.invalid/api/print', {
      method: 'POST',
      body: endless,
      duplex: 'half',
    } as RequestInit);
    expect(await refusal(await printProject(request, still, created, { bytes: 5000, ms: 1e9 }))).toMatchObject({
      status: 413,
      reason: 'too-large',
    });
    let time = 0;
    expect(
      await refusal(await ask('?parts=picture', writeProject(tea), { bytes: 1e7, ms: 50 }, () => (time += 20))),
    ).toMatchObject({ status: 503, reason: 'time-limit' });
  });
  it('keeps nothing: the same file asked twice is the same print', async () => {
    const [a, b] = await Promise.all([ask('?parts=table'), ask('?parts=table')]);
    expect(await a.arrayBuffer()).toEqual(await b.arrayBuffer());
  });
});
