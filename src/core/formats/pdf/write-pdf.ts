import PDFDocument from 'pdfkit';
import {
  byPen,
  clipToSheet,
  FAMILY_PENS,
  GRAPHITE,
  penFor,
  walk,
  widthMm,
  type Area,
  type Drawing,
  type Picture,
  type Stroke,
  type Word,
} from '@/core/drawing';
import { cubicsAlong, placedConic, type ConicArc } from '@/core/geometry';
import { finite } from '@/core/numeric';
import { downwardFromSheet } from '@/core/space';
import { OptionalContent } from './optional-content';
import { faceBytes, runsOf, type Run, type Stands, type Subset } from './face';

/** A PDF counts in points, 72 to the inch. */
export const POINTS_PER_MM = 72 / 25.4;

const points = (mm: number): number => finite(mm, 'coordinate') * POINTS_PER_MM;

export interface PdfGiven {
  readonly title: string;
  /** When it was made: passed in, so that the same print is the same file. */
  readonly created: Date;
}

/** A PDF has cubics only: none leaves its conic by more than this, mm. */
const CUBIC_MM = 0.002;

function drawCurve(doc: PDFDocument, curve: ConicArc, height: number): void {
  const { cubics } = cubicsAlong(placedConic(curve, { scaleY: -1, y: height }), CUBIC_MM);
  cubics.forEach(([a, b, c, d], i) => {
    if (i === 0) doc.moveTo(points(a.x), points(a.y));
    doc.bezierCurveTo(points(b.x), points(b.y), points(c.x), points(c.y), points(d.x), points(d.y));
  });
}

/** Strokes of one pen become one path: a sheet of thousands of lines is some dozens of paths. */
function drawStrokes(doc: PDFDocument, strokes: readonly Stroke[], height: number): void {
  for (const list of byPen(strokes)) {
    const [first] = list;
    const pen = penFor(first.family, first.weight);
    doc.strokeColor(pen.colour).lineWidth(points(widthMm(first)));
    if (pen.dashMm.length > 0) doc.dash(pen.dashMm.map(points));
    else doc.undash();
    doc.lineCap(pen.dashMm.length > 0 ? 'butt' : 'round');
    for (const one of list)
      if (one.curve) drawCurve(doc, one.curve, height);
      else
        doc
          .moveTo(points(one.x0), points(downwardFromSheet(one.y0, height)))
          .lineTo(points(one.x1), points(downwardFromSheet(one.y1, height)));
    doc.stroke();
  }
}

/** Tones in graphite, as dense as they are; what lies within an odd number of outlines. */
function fillAreas(doc: PDFDocument, areas: readonly Area[], height: number): void {
  for (const { loops, tone } of areas) {
    for (const loop of loops) {
      loop.forEach((p, i) => {
        const [x, y] = [points(p.x), points(downwardFromSheet(p.y, height))];
        if (i === 0) doc.moveTo(x, y);
        else doc.lineTo(x, y);
      });
      doc.closePath();
    }
    doc.fillColor(GRAPHITE, tone).fill('even-odd');
  }
  doc.fillColor(GRAPHITE, 1);
}

function layImages(doc: PDFDocument, images: readonly Picture[], height: number): void {
  for (const one of images)
    doc.image(
      `data:${one.type};base64,${one.base64}`,
      points(one.x),
      points(downwardFromSheet(one.y + one.height, height)),
      { width: points(one.width), height: points(one.height) },
    );
}

/** Size of what stands small below or above the line, and how far it is moved, over the letters' height. */
const SET: Readonly<Record<Stands, { readonly size: number; readonly rise: number }>> = {
  'on-the-line': { size: 1, rise: 0 },
  below: { size: 0.64, rise: -0.14 },
  above: { size: 0.64, rise: 0.33 },
};

/** A word is set run by run, each in the subset that has its characters. */
function setWord(doc: PDFDocument, word: Word, height: number, loaded: Set<Subset>): void {
  const runs = runsOf(word.text);
  const useRun = ({ subset, stands }: Run): void => {
    if (!loaded.has(subset)) {
      doc.registerFont(subset, faceBytes(subset));
      loaded.add(subset);
    }
    doc.font(subset).fontSize(points(word.heightMm * SET[stands].size));
  };
  const widths = runs.map((run) => {
    useRun(run);
    return doc.widthOfString(run.text);
  });
  const whole = widths.reduce((sum, one) => sum + one, 0);
  let x = points(word.x) - (word.anchor === 'end' ? whole : word.anchor === 'middle' ? whole / 2 : 0);
  runs.forEach((run, i) => {
    useRun(run);
    doc.fillColor(FAMILY_PENS.sheet.colour);
    const y = word.y + word.heightMm * SET[run.stands].rise;
    doc.text(run.text, x, points(downwardFromSheet(y, height)), { lineBreak: false, baseline: 'alphabetic' });
    x += widths[i] ?? 0;
  });
}

/** One page: each layer that holds something as optional content of its name. */
function drawPage(doc: PDFDocument, page: Drawing, content: OptionalContent, loaded: Set<Subset>): void {
  const { height } = page;
  walk(page, {
    begin: ({ name }) => content.begin(name),
    images: (images) => layImages(doc, images, height),
    areas: (areas) => fillAreas(doc, areas, height),
    strokes: (strokes) => drawStrokes(doc, strokes, height),
    words: (words) => {
      for (const word of words) if (word.text !== '') setWord(doc, word, height, loaded);
    },
    end: () => content.leave(),
  });
}

/**
 * Drawings as pages of one PDF at true size: vector lines, layers that a reader lays on and off, the application's own face embedded. Page sizes are the drawings' own, to a
 * millionth of a point. What lies off a page is cut.
 * @throws on a figure that is not finite.
 */
export function writePdf(pages: readonly Drawing[], { title, created }: PdfGiven): Promise<Uint8Array<ArrayBuffer>> {
  return new Promise((resolve, reject) => {
    const doc = new PDFDocument({
      autoFirstPage: false,
      font: null,
      compress: true,
      pdfVersion: '1.5',
      info: { Title: title, Creator: 'Bathyskop', Producer: 'Bathyskop', CreationDate: created },
    });
    const chunks: Uint8Array[] = [];
    doc.on('data', (chunk) => chunks.push(chunk));
    doc.on('error', reject);
    doc.on('end', () => {
      const whole = new Uint8Array(chunks.reduce((sum, one) => sum + one.length, 0));
      let at = 0;
      for (const chunk of chunks) {
        whole.set(chunk, at);
        at += chunk.length;
      }
      resolve(whole);
    });
    try {
      const loaded = new Set<Subset>();
      const content = new OptionalContent(doc);
      for (const page of pages) {
        const sheet = clipToSheet(page);
        doc.addPage({ size: [points(sheet.width), points(sheet.height)], margin: 0 });
        drawPage(doc, sheet, content, loaded);
      }
      content.end();
      doc.end();
    } catch (error) {
      reject(error instanceof Error ? error : new Error(String(error)));
    }
  });
}
