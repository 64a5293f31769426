import { NO_STAND, type Output } from './output';

export const sheetDxf: Output = {
  id: 'sheet-dxf',
  words: 'the sheet in millimetres (DXF)',
  wants: 'a-stand',
  make: async ({ project, view, perspective }) => {
    if (!perspective) return NO_STAND;
    // Loaded only when it is wanted.
    const { writeDxf } = await import('@/core/formats/dxf');
    const content = writeDxf(perspective.drawing);
    return { kind: 'file', name: [project.id, view.id], ending: '.dxf', type: 'application/dxf', content };
  },
};
