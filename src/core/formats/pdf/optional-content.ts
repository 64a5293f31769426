import type PDFDocument from 'pdfkit';
import type { PDFReference } from 'pdfkit';

/**
 * Layers of a PDF as optional content: a reader lists them by name and lays each on or off. The writing library has no call for it, so the objects are
 * made through its references. Source: ISO 32000-1, 8.11.
 */
export class OptionalContent {
  private readonly groups = new Map<string, { readonly name: string; readonly group: PDFReference }>();

  constructor(private readonly doc: PDFDocument) {}

  /** What is drawn from here to `leave` belongs to the layer; the same name on another page is the same layer. */
  begin(layer: string): void {
    const { doc, groups } = this;
    let known = groups.get(layer);
    if (!known) {
      known = { name: `Layer${groups.size + 1}`, group: doc.ref({ Type: 'OCG', Name: new String(layer) }) };
      groups.set(layer, known);
    }
    const { data } = doc.page.resources;
    const properties = (data.Properties ??= {}) as Record<string, unknown>;
    properties[known.name] = known.group;
    doc.addContent(`/OC /${known.name} BDC`);
  }

  leave(): void {
    this.doc.addContent('EMC');
  }

  /** Lists the layers in the catalogue, all of them on; before the document's end. */
  end(): void {
    if (this.groups.size === 0) return;
    const all = [...this.groups.values()].map((one) => one.group);
    this.doc._root.data.OCProperties = { OCGs: all, D: { Name: new String('Layers'), Order: all, ON: all } };
    for (const group of all) group.end();
  }
}
