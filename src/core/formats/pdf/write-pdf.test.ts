import { printPages, type PrintJob } from '@/core/pipeline';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { conicPoint } from '@/core/geometry';
import {
  clipToSheet,
  correctedBy,
  layerOf,
  NO_CORRECTION,
  strokePoints,
  tilesOf,
  TILE_MARGIN_MM,
  TILE_OVERLAP_MM,
  type Drawing,
} from '@/core/drawing';
import { changeView, type Project } from '@/core/record';
import { drain } from '@/core/visibility';
import { boxPiece, boxView, smallRoom, homeMark, holds } from '@/testing';
import { alongCubic, readPdf } from '@/testing/read-pdf';
import { bytesFromBase64 } from './base64';
import { runsOf } from './face';
import { writePdf } from './index';

const created = new Date('2026-01-02T03:04:05Z');
const pagesOf = (project: Project, job: Partial<PrintJob> = {}): readonly Drawing[] => {
  const pages = drain(
    printPages(project, {
      viewId: at(project.views, 0).id,
      parts: ['set-out'],
      paper: 'sheet',
      correction: NO_CORRECTION,
      ...job,
    }),
  );
  if (!pages.ok) throw new Error(pages.error.message);
  return pages.value;
};
const pdf = (pages: readonly Drawing[]) => writePdf(pages, { title: 'A print', created });
const room = (change = {}) =>
  smallRoom(
    [boxPiece({ turnDeg: 30 })],
    boxView({
      grid: { unit: { mm: 500, asTyped: '500' }, floor: true, walls: true, ceiling: true, from: null, on: null },
      ...change,
    }),
  );
const lengthOf = (line: { x0: number; y0: number; x1: number; y1: number }): number =>
  Math.hypot(line.x1 - line.x0, line.y1 - line.y0);

function nearChain(chain: readonly { x: number; y: number }[], [x, y]: readonly [number, number]): number {
  let least = Infinity;
  for (let i = 0; i + 1 < chain.length; i += 1) {
    const [p, q] = [at(chain, i), at(chain, i + 1)];
    const [dx, dy] = [q.x - p.x, q.y - p.y];
    const along = Math.min(1, Math.max(0, ((x - p.x) * dx + (y - p.y) * dy) / (dx * dx + dy * dy || 1)));
    least = Math.min(least, Math.hypot(p.x + along * dx - x, p.y + along * dy - y));
  }
  return least;
}

/** The control lines: the only ones of their colour and length that run level or upright where they should. */
function controlLines(page: Awaited<ReturnType<typeof readPdf>>[number]) {
  const across = page.lines.filter(
    (one) => Math.abs(one.y0 - one.y1) < 1e-6 && one.y0 < 12 && Math.abs(lengthOf(one) - 100) < 8,
  );
  const down = page.lines.filter(
    (one) => Math.abs(one.x0 - one.x1) < 1e-6 && one.x0 < 12 && Math.abs(lengthOf(one) - 100) < 8,
  );
  return { across, down };
}

describe('a PDF read back by another library', () => {
  it('page sizes are exact, both control lines 100 mm, every line where the drawing has it, nothing but vectors', async () => {
    for (const project of [room(), ...DEMOS]) {
      const drawings = pagesOf(project, { parts: ['set-out', 'picture'] });
      const pages = await readPdf(await pdf(drawings));
      expect(pages).toHaveLength(2);
      pages.forEach((page, i) => {
        const drawing = clipToSheet(at(drawings, i));
        expect(page.width).toBeCloseTo(drawing.width, 4);
        expect(page.height).toBeCloseTo(drawing.height, 4);
        expect(page.images).toBe(0);
        const { across, down } = controlLines(page);
        expect(across).toHaveLength(1);
        expect(down).toHaveLength(1);
        for (const one of [...across, ...down]) expect(Math.abs(lengthOf(one) - 100)).toBeLessThan(1e-4);
        const all = drawing.layers.flatMap((layer) => layer.strokes);
        const strokes = all.filter((one) => !one.curve);
        // Every cubic lies on one of the drawing's conics, all along it.
        const curved = all.flatMap((one) =>
          one.curve ? [{ ...one, curve: one.curve, chain: strokePoints(one, 1e-4) }] : [],
        );
        expect(page.cubics.length).toBeGreaterThanOrEqual(curved.length);
        const used = new Set<number>();
        for (const cubic of page.cubics) {
          const points = alongCubic(cubic, 6);
          const on = curved.findIndex(({ chain }) => points.every((p) => nearChain(chain, p) < 0.005));
          expect(on, JSON.stringify(cubic.points)).toBeGreaterThanOrEqual(0);
          used.add(on);
        }
        if (curved.length > 0) expect(used.size / curved.length).toBeGreaterThan(0.9);
        const named = drawing.layers.filter((layer) => layer.strokes.length > 0 || layer.words.length > 0);
        for (const layer of named) expect(page.layers).toContain(layer.name);
        expect(page.lines).toHaveLength(strokes.length);
        const key = (one: { x0: number; y0: number; x1: number; y1: number }) =>
          [one.x0, one.y0, one.x1, one.y1].map((value) => (Math.round(value * 1000) / 1000 + 0).toFixed(2)).join(' ');
        // Rounded to a hundredth of a millimetre, the two are the same lines.
        const read = new Map<string, number>();
        for (const one of page.lines) read.set(key(one), (read.get(key(one)) ?? 0) + 1);
        const missed = strokes.filter((one) => {
          const left = read.get(key(one)) ?? 0;
          read.set(key(one), left - 1);
          return left <= 0;
        });
        // A figure that lies on the edge between two hundredths may be rounded either way.
        expect(missed.length / strokes.length).toBeLessThan(0.02);
      });
    }
  });

  it('passes the independent parsers of the system without a warning, its faces embedded', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'bathyskop-pdf-'));
    for (const [i, project] of [room(), ...DEMOS].entries()) {
      for (const paper of ['sheet', 'A4']) {
        const file = join(folder, `${i}-${paper}.pdf`);
        const named = { ...project, name: 'Weberei Łódź – Ткацкая “η”' };
        writeFileSync(file, await pdf(pagesOf(named, { parts: ['table', 'set-out', 'picture'], paper })));
        const checked = spawnSync('qpdf', ['--check', file], { encoding: 'utf8' });
        expect(checked.error, 'qpdf is installed').toBeUndefined();
        expect(checked.status, checked.stdout + checked.stderr).toBe(0);
        expect(checked.stdout + checked.stderr).not.toMatch(/WARNING/i);
        const fonts = spawnSync('pdffonts', [file], { encoding: 'utf8' });
        expect(fonts.stderr).toBe('');
        const rows = fonts.stdout.trim().split('\n').slice(2);
        expect(rows.length).toBeGreaterThanOrEqual(2);
        for (const row of rows) expect(row, row).toMatch(/yes yes yes/);
        const info = spawnSync('pdfinfo', [file], { encoding: 'utf8' });
        expect(info.stderr).toBe('');
        expect(info.stdout).toMatch(/Title:\s+A print/);
      }
    }
  }, 120_000);

  it('the same print is the same file', async () => {
    const pages = pagesOf(room());
    expect(await pdf(pages)).toEqual(await pdf(pages));
  });
});

describe('tiles', () => {
  it.each<[string, Project, string]>([
    ['A3 over A4', at(DEMOS, 0), 'A4'],
    ['A2 over A4', at(DEMOS, 1), 'A4'],
    ['18 x 24 in over letter', at(DEMOS, 2), 'letter'],
  ])(
    '%s: put together they give the whole within 0.01 mm, each with control lines and crosses',
    async (_, project, paper) => {
      const whole = clipToSheet(at(pagesOf(project, { parts: ['picture'] }), 0));
      const drawings = pagesOf(project, { parts: ['picture'], paper });
      const size =
        paper === 'A4' ? { name: 'A4', width: 210, height: 297 } : { name: 'letter', width: 215.9, height: 279.4 };
      const tiles = tilesOf(whole, size);
      expect(drawings).toHaveLength(tiles.length);
      const pages = await readPdf(await pdf(drawings));
      // Every line of every page brought back to the sheet.
      const parts = pages.flatMap((page, i) => {
        const tile = at(tiles, i);
        const [dx, dy] = [tile.extent.left - TILE_MARGIN_MM, tile.extent.top - (tile.page.height - TILE_MARGIN_MM)];
        const { across, down } = controlLines(page);
        expect(across.length).toBeGreaterThanOrEqual(1);
        expect(down.length).toBeGreaterThanOrEqual(1);
        const chords = page.cubics.flatMap((cubic) => {
          const points = alongCubic(cubic, 64);
          return points.slice(1).map(([x1, y1], k) => ({ x0: at(points, k)[0], y0: at(points, k)[1], x1, y1 }));
        });
        return [...page.lines, ...chords].map((one) => ({
          x0: one.x0 + dx,
          y0: one.y0 + dy,
          x1: one.x1 + dx,
          y1: one.y1 + dy,
        }));
      });
      // Neighbours overlap, and their windows cover the sheet.
      const right = Math.max(...tiles.map((tile) => tile.extent.right));
      const low = Math.min(...tiles.map((tile) => tile.extent.bottom));
      expect([right, low]).toEqual([whole.width, 0]);
      for (const tile of tiles.filter((one) => one.column > 1)) {
        const before = tiles.find((one) => one.row === tile.row && one.column === tile.column - 1);
        expect((before?.extent.right ?? 0) - tile.extent.left).toBeCloseTo(TILE_OVERLAP_MM, 9);
      }
      // Sorted into cells, so that each stroke is held against the parts near it only.
      const cells = new Map<string, typeof parts>();
      const cell = (value: number): number => Math.floor(value / 20);
      for (const part of parts) {
        const [cx0, cx1] = [cell(Math.min(part.x0, part.x1) - 0.1), cell(Math.max(part.x0, part.x1) + 0.1)];
        const [cy0, cy1] = [cell(Math.min(part.y0, part.y1) - 0.1), cell(Math.max(part.y0, part.y1) + 0.1)];
        for (let cx = cx0; cx <= cx1; cx += 1)
          for (let cy = cy0; cy <= cy1; cy += 1) {
            const key = `${cx} ${cy}`;
            const list = cells.get(key);
            if (list) list.push(part);
            else cells.set(key, [part]);
          }
      }
      const far = (x: number, y: number): number => {
        let least = Infinity;
        for (const one of cells.get(`${cell(x)} ${cell(y)}`) ?? []) {
          const [dx, dy] = [one.x1 - one.x0, one.y1 - one.y0];
          const squared = dx * dx + dy * dy;
          const along = squared === 0 ? 0 : Math.min(1, Math.max(0, ((x - one.x0) * dx + (y - one.y0) * dy) / squared));
          least = Math.min(least, Math.hypot(one.x0 + along * dx - x, one.y0 + along * dy - y));
        }
        return least;
      };
      let asked = 0;
      for (const layer of whole.layers)
        for (const stroke of layer.strokes)
          for (const f of [0, 0.13, 0.37, 0.5, 0.71, 0.94, 1]) {
            asked += 1;
            const { x, y } = stroke.curve
              ? conicPoint(stroke.curve, stroke.curve.from + (stroke.curve.to - stroke.curve.from) * f)
              : { x: stroke.x0 + (stroke.x1 - stroke.x0) * f, y: stroke.y0 + (stroke.y1 - stroke.y0) * f };
            holds(far(x, y) < 0.01, () => `${layer.id} ${stroke.of} at ${f}`);
          }
      expect(asked).toBeGreaterThan(2000);
    },
    120_000,
  );

  it('a sheet no larger than the paper is one page, laid the way it fits', () => {
    expect(tilesOf({ width: 270, height: 180 }, { name: 'A4', width: 210, height: 297 })).toMatchObject([
      { row: 1, column: 1, page: { width: 297, height: 210 } },
    ]);
  });
});

describe('a printer that stretches', () => {
  it('a control line that measured wrong corrects the next print: it then comes out at 100 mm', async () => {
    // This printer makes everything 1.5 % too wide and 0.8 % too short.
    const printed = (mm: number, factor: number): number => mm * factor;
    const first = correctedBy(NO_CORRECTION, { across: printed(100, 1.015), down: printed(100, 0.992) });
    if (!first) throw new Error('such a printer can be corrected');
    const [page] = await readPdf(await pdf(pagesOf(room(), { correction: first })));
    if (!page) throw new Error('a page');
    const { across, down } = controlLines(page);
    const [a, d] = [lengthOf(at(across, 0)), lengthOf(at(down, 0))];
    expect(printed(a, 1.015)).toBeCloseTo(100, 3);
    expect(printed(d, 0.992)).toBeCloseTo(100, 3);
    expect(page.width).toBeCloseTo(420, 3);
    // Measured again on the corrected print it comes out true, and nothing changes further.
    expect(correctedBy(first, { across: 100, down: 100 })).toEqual(first);
  });
  it('a measure no printer makes is refused', () => {
    expect(correctedBy(NO_CORRECTION, { across: 88, down: 100 })).toBeNull();
    expect(correctedBy(NO_CORRECTION, { across: 100, down: 0 })).toBeNull();
    expect(correctedBy(NO_CORRECTION, { across: 92, down: 108 })).not.toBeNull();
  });
});

describe('print jobs', () => {
  const refusal = (job: Partial<PrintJob>, project = room({ grid: null })) => {
    const pages = drain(
      printPages(project, { viewId: 'view', parts: ['set-out'], paper: 'sheet', correction: NO_CORRECTION, ...job }),
    );
    return pages.ok ? 'printed' : pages.error.reason;
  };
  it('are refused with a reason', () => {
    expect(refusal({ viewId: 'nowhere' })).toBe('unknown-view');
    expect(refusal({ parts: [] })).toBe('nothing');
    expect(refusal({ paper: 'papyrus' })).toBe('unknown-paper');
    expect(refusal({ parts: ['grid'] })).toBe('no-grid');
    const behind = changeView(room(), 'view', { station: { x: 2000, y: 100 } });
    expect(refusal({}, behind)).toBe('cannot-stand');
    // Counted before they are made: five metres square come to as many hundred pages.
    const wall = room({ sheet: { name: 'own size', width: 5000, height: 5000 } });
    expect(refusal({ paper: 'A4' }, wall)).toBe('too-many-pages');
    expect(refusal({ paper: 'A4', parts: ['table'] }, wall)).toBe('printed');
    expect(refusal({ paper: 'sheet' }, wall)).toBe('printed');
  });
  it('say on every page of the table what zero, scale and sheet they are for', () => {
    const view = boxView({
      aids: [{ by: 'ticks', mark: homeMark('distance-left'), stepMm: 2 }],
      station: { x: 2000, y: -9000 },
    });
    const pages = pagesOf(smallRoom([boxPiece({ turnDeg: 20 })], view), { parts: ['table'] });
    expect(pages.length).toBeGreaterThan(1);
    for (const page of pages) {
      const words = page.layers.flatMap((layer) => layer.words).map((word) => word.text);
      expect(words.some((one) => one.startsWith('Zero across is'))).toBe(true);
      expect(words.some((one) => /A3 sheet, 1:20/.test(one))).toBe(true);
      for (const word of page.layers.flatMap((layer) => layer.words)) {
        expect(word.y).toBeGreaterThan(0);
        expect(word.y).toBeLessThan(page.height);
      }
    }
  });
});

/** Every sign that stands in the sentences of the core: whatever it says can be printed. */
function signsUsed(): ReadonlySet<string> {
  const files = readdirSync('src/core', { recursive: true, encoding: 'utf8' }).filter(
    (one) => one.endsWith('.ts') && !one.endsWith('.test.ts') && !one.endsWith('face.ts'),
  );
  const code = (file: string): string =>
    readFileSync(join('src/core', file), 'utf8')
      .replace(/\/\*[^]*?\*\//g, '')
      .replace(/\/\/.*$/gm, '');
  return new Set(files.flatMap((one) => [...code(one)].filter((c) => c > ' ')));
}

describe('letters of the face', () => {
  it('every sign the core uses, primes, arrows and small figures print as what they are', async () => {
    const used = [...signsUsed()];
    expect(used.length).toBeGreaterThan(100);
    for (const sign of [...used, ...'′″→←↑↓≈≤≥√⌀½¼¾²³×°'])
      expect(
        runsOf(sign).map((run) => run.text),
        sign,
      ).toEqual([/[⅐-⅞]/.test(sign) ? sign.normalize('NFKD') : sign]);
    const words = ['T₂ 7′-6″ → 2.4 m²', 'A⁴ ≤ √2', ...used.map((sign) => `x${sign}y`)].map((text, i) => ({
      ...{ x: 10 + (i % 10) * 20, y: 10 + Math.floor(i / 10) * 5, text, heightMm: 3, anchor: 'start' as const },
    }));
    const layers = [layerOf({ layer: 'table' }, 'Table', { words })];
    const [page] = await readPdf(await pdf([{ title: '', width: 220, height: 150, layers }]));
    const printed = (page?.words.map((word) => word.text).join('') ?? '').replace(/\s/g, '');
    for (const part of [
      '7′-6″→2.4m²',
      '≤√2',
      ...used.map((sign) => (/[⅐-⅞]/.test(sign) ? sign.normalize('NFKD') : sign)),
    ])
      expect(printed).toContain(part);
    // The small two stands below the line of its letter and is smaller.
    const [letter, two] = ['T', '2'].map((text) => page?.words.find((word) => word.text === text));
    expect((letter?.y ?? 0) - (two?.y ?? 0)).toBeCloseTo(0.42, 2);
  });
  it('base64 gives the bytes it stands for', () => {
    for (const text of ['', 'f', 'fo', 'foo', 'foob', 'Łódź'])
      expect([...bytesFromBase64(Buffer.from(text).toString('base64'))]).toEqual([...Buffer.from(text)]);
  });
  it('a text is set in as few runs as its scripts need; what the face lacks is shown as lacking', () => {
    expect(runsOf('Tea room 7\'-6 1/2"')).toEqual([
      { subset: 'latin', stands: 'on-the-line', text: 'Tea room 7\'-6 1/2"' },
    ]);
    expect(runsOf('Łódź η').map((run) => run.subset)).toEqual(['latin-ext', 'latin', 'latin-ext', 'latin', 'greek']);
    expect(runsOf('5″ 織').map(({ subset, text }) => [subset, text])).toEqual([
      ['latin', '5'],
      ['signs', '″'],
      ['latin', ' ?'],
    ]);
    expect(runsOf('T₂ m⁴').map(({ stands, text }) => [stands, text])).toEqual([
      ['on-the-line', 'T'],
      ['below', '2'],
      ['on-the-line', ' m'],
      ['above', '4'],
    ]);
  });
});
