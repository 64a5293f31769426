import { describe, expect, it } from 'vitest';
import { layerOf, walk, type Drawing, type LayerContents } from '@/core/drawing';
import { writeDxf, readDxf } from './dxf';
import { writePdf } from './pdf';
import { writeSvg } from './svg';

/** One dot of graphite as a PNG file. */
const DOT = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==';
const square = (from: number, size: number) => [
  { x: from, y: from },
  { x: from + size, y: from },
  { x: from + size, y: from + size },
  { x: from, y: from + size },
];
const drawing: Drawing = {
  title: 'all that a layer can hold',
  width: 200,
  height: 100,
  layers: [
    layerOf({ layer: 'room' }, 'Room', {
      words: [{ x: 10, y: 10, text: 'tone', heightMm: 3, anchor: 'start' }],
      strokes: [{ x0: 0, y0: 0, x1: 50, y1: 0, family: 'right', weight: 'firm', role: { is: 'ruling' }, of: 'ruled' }],
      areas: [{ loops: [square(20, 40), square(30, 10)], tone: 0.4, of: 'shade' }],
      images: [{ x: 100, y: 20, width: 60, height: 40, type: 'image/png', base64: DOT, of: 'photograph' }],
    }),
    layerOf({ layer: 'grid' }, 'Grid'),
  ],
};

describe('all that a layer can hold reaches every output', () => {
  it('in one order: pictures, tones, lines, words; an empty layer is passed by', () => {
    const seen: string[] = [];
    const told =
      <K extends keyof LayerContents>(kind: K) =>
      (contents: LayerContents[K]): void =>
        void seen.push(`${kind} ${contents.length}`);
    walk(drawing, {
      begin: ({ name }) => void seen.push(`begin ${name}`),
      images: told('images'),
      areas: told('areas'),
      strokes: told('strokes'),
      words: told('words'),
      end: ({ name }) => void seen.push(`end ${name}`),
    });
    expect(seen).toEqual(['begin Room', 'images 1', 'areas 1', 'strokes 1', 'words 1', 'end Room']);
  });
  it('a sink that does not know a kind of content does not compile', () => {
    const nothing = (): void => undefined;
    // @ts-expect-error areas are missing: the compiler says so.
    walk({ layers: [] }, { images: nothing, strokes: nothing, words: nothing });
    expect(Object.keys(layerOf({ layer: 'room' }, 'Room')).sort()).toEqual(
      ['areas', 'id', 'images', 'name', 'role', 'strokes', 'words'].sort(),
    );
  });
  it('SVG: a picture at its place, y turned down, and a tone with its hole', () => {
    const svg = writeSvg(drawing);
    expect(svg).toMatch(/<image[^>]* x="100" y="40" width="60" height="40"/);
    expect(svg).toContain(`data:image/png;base64,${DOT}`);
    const tone = /<path class="area"[^>]*d="([^"]*)"[^>]*>/.exec(svg);
    expect(tone?.[0]).toContain('fill-opacity="0.4"');
    expect(tone?.[1]?.match(/M/g)).toHaveLength(2);
  });
  it('PDF: a tone filled evenly-odd, a picture as an object of the file', async () => {
    const text = new TextDecoder('latin1').decode(await writePdf([drawing], { title: 't', created: new Date(0) }));
    expect(text).toContain('/Subtype /Image');
    expect(text).toMatch(/\/ca 0\.4/);
  });
  it('DXF: a tone by its outlines, closed', () => {
    const text = writeDxf(drawing);
    const read = readDxf(text);
    if (!read.ok) throw new Error(read.error.message);
    const longest = Math.max(...read.value.lines.map(({ from, to }) => Math.hypot(to.x - from.x, to.y - from.y)));
    expect(longest).toBeCloseTo(50, 6);
    expect(read.value.lines).toHaveLength(1);
    expect(text.match(/^LWPOLYLINE$/gm)).toHaveLength(2);
  });
});
