import { MOST_MADE, outlineFault, type Surface } from '@/core/record';
import { surfaceIn } from './bodies';
import { ceilingShape } from './ceiling';
import type { Contradiction, Reading } from './contradiction';
import { tooMuch } from './surface';

const kept = new WeakMap<Surface, { readonly by: readonly unknown[]; readonly found: readonly Contradiction[] }>();

/** Patterns that are not laid, or not as they are said: too fine to draw, or with nothing of them where they are to lie. */
export function ofSurface(surface: Surface, reading: Reading): readonly Contradiction[] {
  const { spaces, openings, levels, units } = reading.project;
  const by = [spaces, openings, levels, units];
  const known = kept.get(surface);
  if (known?.by.every((one, i) => one === by[i])) return known.found;
  const found = [...tooFine(surface, reading), ...nothingLaid(surface, reading)];
  kept.set(surface, { by, found });
  return found;
}

function tooFine(surface: Surface, { project }: Reading): Contradiction[] {
  const space = project.spaces.find((one) => one.id === surface.spaceId);
  const much = space ? tooMuch(surface, space) : null;
  if (much === null) return [];
  const told = { kind: 'too-fine', about: surface.id, of: [much.count] } as const;
  if (much.of === 'joints')
    return [
      {
        ...told,
        message: `${surface.name} would come to ${much.count} joints across; above ${MOST_MADE.joints} none of them is drawn, and what lies there looks like strips. Make them larger, or lay them square.`,
        remedies: [
          {
            label: 'Lay them square',
            change: { kind: 'change-surface', surfaceId: surface.id, fields: { bond: 'square' } },
          },
        ],
      },
    ];
  const what = surface.kind === 'lights' ? 'lights, with the lines that part them' : 'rows';
  return [
    {
      ...told,
      message: `${surface.name} would come to ${much.count} ${what}; more than ${MOST_MADE.rows} are not drawn. Make them larger.`,
      remedies: [],
    },
  ];
}

/** A pattern of which nothing lies where it is said to. */
function nothingLaid(surface: Surface, { project }: Reading): Contradiction[] {
  const space = project.spaces.find((one) => one.id === surface.spaceId);
  if (!space || outlineFault(space) !== null || tooMuch(surface, space)?.of === 'rows' || surfaceIn(project, surface))
    return [];
  const vault = surface.on === 'ceiling' && ceilingShape(space).kind === 'vault';
  const why = vault
    ? `the ceiling of ${space.name} is a vault, and a pattern is laid on flat parts only`
    : `it begins beyond its ${surface.on}, or is larger. Check its start and its sizes`;
  return [
    {
      ...{ kind: 'nothing-laid', about: surface.id, of: [] },
      message: `Nothing of ${surface.name} is drawn: ${why}.`,
      remedies: [{ label: 'Take it out', change: { kind: 'remove-surface', surfaceId: surface.id } }],
    },
  ];
}
