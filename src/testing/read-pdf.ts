import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';

export interface PdfLine {
  /** mm from the page's lower left corner, y up. */
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
  readonly colour: string;
}

export interface PdfCubic {
  /** Four points, mm. */
  readonly points: readonly (readonly [number, number])[];
  readonly colour: string;
}

/** Points along a cubic, its ends first and last. */
export const alongCubic = ({ points }: PdfCubic, count: number): readonly (readonly [number, number])[] =>
  Array.from({ length: count + 1 }, (_, i) => {
    const t = i / count;
    const b = [(1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t ** 3];
    const sum = (axis: 0 | 1): number => points.reduce((total, p, k) => total + p[axis] * (b[k] ?? 0), 0);
    return [sum(0), sum(1)];
  });

export interface PdfPage {
  readonly width: number;
  readonly height: number;
  readonly lines: readonly PdfLine[];
  readonly cubics: readonly PdfCubic[];
  /** Names of the layers the file can lay on and off. */
  readonly layers: readonly string[];
  readonly words: readonly { readonly text: string; readonly x: number; readonly y: number }[];
  /** Pictures made of dots: none in a vector file. */
  readonly images: number;
}

const MM = 25.4 / 72;

/** Reads a PDF back with another library than the one that wrote it: page sizes, straight lines, words; mm. */
export async function readPdf(bytes: Uint8Array): Promise<readonly PdfPage[]> {
  const loading = getDocument({ data: bytes.slice(), useSystemFonts: true, verbosity: 0 });
  const pdf = await loading.promise;
  const pages: PdfPage[] = [];
  const content = await pdf.getOptionalContentConfig();
  const groups = [...content] as (readonly [string, { readonly name: string }])[];
  const layers = groups.map(([, group]) => group.name);
  for (let number = 1; number <= pdf.numPages; number += 1) {
    const page = await pdf.getPage(number);
    const [left, bottom, right, top] = page.view as [number, number, number, number];
    const operators = await page.getOperatorList();
    const lines: PdfLine[] = [];
    const cubics: PdfCubic[] = [];
    let images = 0;
    let colour = '';
    // The writer sets one matrix for the whole page; the reader applies whatever it finds.
    let matrix: readonly number[] = [1, 0, 0, 1, 0, 0];
    const stack: (readonly number[])[] = [];
    const place = (x: number, y: number): readonly [number, number] => {
      const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = matrix;
      return [(a * x + c * y + e - left) * MM, (b * x + d * y + f - bottom) * MM];
    };
    operators.fnArray.forEach((operator, i) => {
      const args = operators.argsArray[i] as unknown[];
      if (operator === OPS.save) stack.push(matrix);
      else if (operator === OPS.restore) matrix = stack.pop() ?? matrix;
      else if (operator === OPS.transform) {
        const [a2, b2, c2, d2, e2, f2] = args as [number, number, number, number, number, number];
        const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = matrix;
        matrix = [
          a * a2 + c * b2,
          b * a2 + d * b2,
          a * c2 + c * d2,
          b * c2 + d * d2,
          a * e2 + c * f2 + e,
          b * e2 + d * f2 + f,
        ];
      } else if (operator === OPS.setStrokeRGBColor) colour = String(args[0]);
      else if (operator === OPS.paintImageXObject || operator === OPS.paintInlineImageXObject) images += 1;
      else if (operator === OPS.constructPath) {
        const [path] = args[1] as [ArrayLike<number> | null];
        let at: readonly [number, number] = [0, 0];
        // 0 moves, 1 draws a line, 2 a cubic.
        for (let k = 0; path && k < path.length; k += 3) {
          const kind = path[k];
          if (kind === 2) {
            const [b, c, d] = [1, 3, 5].map((i) => place(path[k + i] ?? NaN, path[k + i + 1] ?? NaN));
            if (b && c && d) {
              cubics.push({ points: [at, b, c, d], colour });
              at = d;
            }
            k += 4;
            continue;
          }
          if (kind !== 0 && kind !== 1) throw new Error(`a path with a piece of kind ${String(kind)}`);
          const to = place(path[k + 1] ?? NaN, path[k + 2] ?? NaN);
          if (kind === 1) lines.push({ x0: at[0], y0: at[1], x1: to[0], y1: to[1], colour });
          at = to;
        }
      }
    });
    const content = await page.getTextContent();
    const words = content.items.flatMap((item) =>
      'str' in item && item.str.trim() !== ''
        ? [{ text: item.str, x: (Number(item.transform[4]) - left) * MM, y: (Number(item.transform[5]) - bottom) * MM }]
        : [],
    );
    pages.push({ width: (right - left) * MM, height: (top - bottom) * MM, lines, cubics, words, images, layers });
  }
  await loading.destroy();
  return pages;
}
