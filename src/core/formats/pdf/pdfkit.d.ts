/** What this project uses of pdfkit; its own types would bring Node's into the core. */
declare module 'pdfkit' {
  export interface PDFReference {
    end(): void;
  }
  export default class PDFDocument {
    constructor(options: {
      readonly autoFirstPage: false;
      readonly font: null;
      readonly compress: boolean;
      readonly pdfVersion: '1.5';
      readonly info: {
        readonly Title: string;
        readonly Creator: string;
        readonly Producer: string;
        readonly CreationDate: Date;
      };
    });
    on(event: 'data', listener: (chunk: Uint8Array) => void): this;
    on(event: 'end', listener: () => void): this;
    on(event: 'error', listener: (error: Error) => void): this;
    registerFont(name: string, source: ArrayBuffer): this;
    addPage(options: { readonly size: readonly [number, number]; readonly margin: number }): this;
    font(name: string): this;
    fontSize(points: number): this;
    widthOfString(text: string): number;
    text(
      text: string,
      x: number,
      y: number,
      options: { readonly lineBreak: false; readonly baseline: 'alphabetic' },
    ): this;
    fillColor(colour: string, opacity?: number): this;
    strokeColor(colour: string): this;
    lineWidth(points: number): this;
    lineCap(cap: 'butt' | 'round'): this;
    dash(lengths: readonly number[], options?: { readonly phase?: number }): this;
    undash(): this;
    moveTo(x: number, y: number): this;
    bezierCurveTo(a: number, b: number, c: number, d: number, e: number, f: number): this;
    lineTo(x: number, y: number): this;
    closePath(): this;
    stroke(): this;
    fill(rule?: 'even-odd' | 'nonzero'): this;
    image(source: string, x: number, y: number, options: { readonly width: number; readonly height: number }): this;
    addContent(operators: string): this;
    /** A new object of the file; ended before the document is. */
    ref(data: unknown): PDFReference;
    readonly page: { readonly resources: { readonly data: Record<string, unknown> } };
    readonly _root: { readonly data: Record<string, unknown> };
    end(): void;
  }
}
