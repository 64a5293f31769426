import { NO_STAND, refused, type Output } from './output';

/** The sheet as dots at a resolution. */
export const picture = (dpi: number): Output => ({
  id: `picture-${dpi}`,
  words: `the sheet, ${dpi} dots to the inch (PNG)`,
  wants: 'a-stand',
  make: async ({ project, view, perspective, raster }) => {
    if (!perspective) return NO_STAND;
    if (!raster) return refused('This browser makes no pictures away from the screen.');
    const reply = await raster(perspective.drawing, dpi);
    if (reply.kind === 'failed') return refused(`The picture could not be made: ${reply.detail}`);
    return {
      kind: 'file',
      name: [project.id, view.id, String(dpi)],
      ending: '.png',
      type: 'image/png',
      content: reply.bytes,
    };
  },
});
