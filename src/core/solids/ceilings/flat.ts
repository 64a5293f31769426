import type { CeilingKind } from './ceiling-kind';

export const flat: CeilingKind = {
  id: 'flat',
  words: 'flat',
  along: 'nothing',
  zones: [],
  sizes: {},
  says: [],
  fault: () => null,
  shape: ({ outline, eaves }) => ({ kind: 'regions', regions: [{ outline, height: () => eaves }] }),
  heights: () => [],
  slopes: () => [],
};
