import { defineConfig, globalIgnores } from 'eslint/config';
import nextVitals from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';
import { APART, APART_AMONG_THEMSELVES, CORE, INTERFACE, NESTED, OUTER } from './scripts/layers.mjs';

const folders = [...CORE.map((name) => `core/${name}`), ...OUTER];
const escaped = (text) => text.replace(/[/]/g, '\\/');

/** Names are only ever written: what a thing is, it says itself. These read a name instead. */
const READS =
  'startsWith|endsWith|includes|indexOf|lastIndexOf|slice|substring|substr|split|match|matchAll|search|replace|replaceAll|at|charAt';
/** Variables and properties that hold names. Lists of ids (`ids`, `pieceIds`) may be searched. */
const NAMES = '^(id|.*Id|key|.*Key)$';
const STRING_TESTS_ON_IDS = [
  {
    selector: `CallExpression[callee.property.name=/^(${READS})$/][callee.object.name=/${NAMES}/]`,
    message: 'Nothing is read out of an id: give the thing a role.',
  },
  {
    selector: `CallExpression[callee.property.name=/^(${READS})$/][callee.object.property.name=/${NAMES}/]`,
    message: 'Nothing is read out of an id: give the thing a role.',
  },
  {
    selector: `CallExpression[callee.property.name=/^(test|exec)$/] > :matches(Identifier[name=/${NAMES}/], MemberExpression[property.name=/${NAMES}/]).arguments`,
    message: 'Nothing is read out of an id: give the thing a role.',
  },
];

/** What a folder may not import: later folders, folders kept apart, insides of other folders, the browser and its libraries for the core. */
function boundaries(folder, inside = '', later = []) {
  const index = folders.indexOf(folder);
  const forbidden = [...folders.slice(index + 1), ...(APART[folder] ?? []), ...later];
  const patterns = [
    ...forbidden.map((other) => ({
      regex: `^@\\/${escaped(other)}(\\/|$)`,
      message: `${folder} may not import from ${other}: see scripts/layers.mjs.`,
    })),
    { regex: '^@\\/core\\/(?!formats)[^/]+\\/.+', message: 'Import another folder through its index.' },
    { regex: '^@\\/core\\/formats\\/[^/]+\\/.+', message: 'Import another folder through its index.' },
    { regex: '^@\\/(workers|state|persistence|testing)\\/.+', message: 'Import another folder through its index.' },
    { regex: '^@\\/interface\\/[^/]+\\/.+', message: 'Import another folder through its index.' },
    { regex: '^@\\/testing', message: 'Only tests import from testing.' },
  ];
  if (folder !== 'app')
    patterns.push({
      // A folder within the folder may reach one step up, into the folder it is part of.
      regex: inside === '' || folder === 'interface' ? '^\\.\\.' : '^\\.\\.\\/\\.\\.',
      message: 'Import another folder by its name, @/…, so that the order of folders can be checked.',
    });
  if (folder.startsWith('core/')) {
    patterns.push({
      regex: '^(react|react-dom|next|@mui|@emotion|zustand|localforage|comlink|notistack)(\\/|$)',
      message: 'The core has no interface and no browser.',
    });
    patterns.push({ regex: '^(node:|fs$|path$)', message: 'The core reads no files.' });
    if (folder !== 'core/formats')
      patterns.push({ regex: '^(yup|papaparse)(\\/|$)', message: 'File libraries live in formats.' });
  }
  if (folder === 'core/construction')
    patterns.push({
      regex: '^@\\/core\\/view$',
      importNamePattern: '^(project|pictureFrom|worldFromPicture|planRay|sideRay|vanishingPoint)',
      message: 'The construction may not use the projection: it must stand on its own.',
    });
  const restrictions = [
    ...STRING_TESTS_ON_IDS,
    ...(folder.startsWith('core/')
      ? [{ selector: 'ImportExpression', message: 'The core loads nothing at run time.' }]
      : [
          ...forbidden.map((other) => ({
            selector: `ImportExpression[source.value=/^@\\/${escaped(other)}(\\/|$)/]`,
            message: `${folder} may not load ${other}.`,
          })),
        ]),
    ...(folder.startsWith('core/')
      ? [
          {
            selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
            message: 'Randomness is passed in.',
          },
          {
            selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
            message: 'Time is passed in.',
          },
        ]
      : []),
  ];
  return {
    name: `boundaries of ${folder}${inside}`,
    files: [`src/${folder}${inside}/**/*.{ts,tsx}`],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-imports': ['error', { patterns }],
      ...(restrictions.length > 0 ? { 'no-restricted-syntax': ['error', ...restrictions] } : {}),
    },
  };
}

export default defineConfig([
  ...nextVitals,
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      eqeqeq: 'error',
      'no-console': 'off',
      'import/no-anonymous-default-export': 'off',
    },
  },
  {
    // The engine's inner loops run over plain arrays whose indices are made with them: a check of each would be most of their work.
    name: 'plain arrays of the engine',
    files: [
      'src/core/{numeric/bernstein,numeric/symmetric-modes,geometry/conic-arc,pipeline/finder/face-tree,drawing/crowded}.ts',
      'src/core/visibility/{occluders,picture-grid,quadratic-form,shape-in-sight,space-conic,curve-parts,framed-spans,against-shapes,flat-and-round,rounds-crossing,edge-against-face,exact-parts,hidden-stretches,neutral-scene,polygons,crossings,joined-lines}.ts',
    ],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  ...folders.map((folder) => boundaries(folder)),
  ...INTERFACE.map((folder, i) =>
    boundaries(
      'interface',
      `/${folder}`,
      INTERFACE.slice(i + 1).map((later) => `interface/${later}`),
    ),
  ),
  ...NESTED.map(([folder, inside]) => boundaries(folder, `/${inside}`)),
  // The index of the stages reaches into their folders; a stage reaches into none but its own.
  ...APART_AMONG_THEMSELVES.map((folder) => {
    const [outer, inside] = folder.split('/');
    const later = INTERFACE.slice(INTERFACE.indexOf(inside)).map((one) => `${outer}/${one}`);
    return { ...boundaries(outer, `/${inside}/*`, later), name: `among ${folder}` };
  }),
  {
    name: 'components one can read at a glance',
    files: ['src/{interface,app}/**/*.tsx'],
    rules: {
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    name: 'one concept a file',
    files: ['src/{interface,app,state,workers,persistence,headless}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: { 'max-lines': ['error', 400] },
  },
  globalIgnores([
    '.next/**',
    'dist/**',
    'node_modules/**',
    'next-env.d.ts',
    'test-results/**',
    'coverage/**',
    'public/**',
  ]),
]);
