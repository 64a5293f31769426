/**
 * The folders of src/core and src, in order: each may import only from those before it. eslint.config.mjs makes its rules from this list, and a
 * test plants a breach of each kind and sees it fail.
 */
export const CORE = [
  'base',
  'numeric',
  'units',
  'space',
  'geometry',
  'record',
  'solids',
  'exercise',
  'view',
  'visibility',
  'construction',
  'drawing',
  'pipeline',
  'formats',
];
export const OUTER = ['workers', 'state', 'persistence', 'interface', 'headless', 'server', 'offline', 'app'];

/** Pairs that may not import each other although the order would let them. */
export const APART = {
  'core/construction': ['core/visibility'],
  interface: ['workers', 'persistence'],
  headless: ['interface', 'persistence', 'state', 'workers'],
  app: ['headless'],
  // Runs where there is no browser, for many at once.
  offline: ['interface', 'persistence', 'state', 'workers', 'headless', 'server'],
  server: ['interface', 'persistence', 'state', 'workers', 'headless'],
  state: ['workers'],
};

/** Folders within a folder, which reach one step up into it: one declarative file for each kind of thing, and one line in an index. */
export const NESTED = [
  ['core/record', 'changes'],
  ['core/solids', 'kinds'],
  ['core/solids', 'shapes'],
  ['core/solids', 'ceilings'],
  ['core/solids', 'openings'],
  ['core/solids', 'rooms'],
  ['core/construction', 'schools'],
  ['core/pipeline', 'printed'],
  ['core/pipeline', 'finder'],
  ['core/formats', 'changes'],
];

/** The folders of the interface, in order among themselves; each may import only from those before it, and only through their index. */
export const INTERFACE = [
  'theme',
  'words',
  'fields',
  'paper',
  'session',
  'board',
  'outputs',
  'views',
  'states',
  'frame',
  'at-board',
  'stages',
  'projects',
  'workbench',
];

/**
 * Folders of which each is one of a kind: none knows another, only their index knows them all. A further one is a folder and a line in that index;
 * it is not named here.
 */
export const APART_AMONG_THEMSELVES = ['interface/stages'];
