export { writeDxf } from './write-dxf';
export { readDxf, type DxfDrawing, type DxfError } from './read-dxf';
