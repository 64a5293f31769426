export { writePdf, POINTS_PER_MM, type PdfGiven } from './write-pdf';
