'use client';
import { Fragment } from 'react';
import Button from '@mui/material/Button';
import { freshId, mmOf, type Ceiling, type Id, type Size, type Space, estimatedSize } from '@/core/record';
import { CEILINGS, ceilingKindOf, newCeiling } from '@/core/solids';
import { formatBareLength } from '@/core/units';
import { figureFor } from './figures';
import { Choice, Sentence } from './parts';
import { useSession } from '@/interface/session';

/** A room's ceiling in one sentence, as its kind says it. */
export function CeilingWords({ space }: { readonly space: Space }) {
  const session = useSession();
  const { commands, readOnly, style } = session;
  const figure = figureFor(session, space.name);
  const print = (mm: number): string => formatBareLength(mm, style);
  const { ceiling } = space;
  const kind = ceilingKindOf(ceiling.shape);
  const walls = space.walls.map((wall) => [wall.id, wall.name] as const);
  const base = mmOf(space.ceilingHeight);
  const change = (to: Ceiling): void =>
    commands.change(`Change ${space.name}`, { kind: 'change-space', spaceId: space.id, fields: { ceiling: to } });
  return (
    <Sentence>
      Its ceiling is{' '}
      <Choice
        label={`Ceiling of ${space.name}`}
        value={ceiling.shape}
        among={CEILINGS.map((one) => [one.id, one.words])}
        disabled={readOnly}
        onChange={(shape: string) => {
          const wanted = ceilingKindOf(shape);
          if (wanted) change(newCeiling(wanted, space, base, print));
        }}
      />
      , {figure('ceiling height', space.ceilingHeight)} high
      {ceiling.wallId === null ? null : (
        <>
          , along{' '}
          <Choice
            label={`Wall that the ceiling of ${space.name} runs along`}
            value={ceiling.wallId}
            among={walls}
            disabled={readOnly}
            onChange={(wallId: Id) => change({ ...ceiling, wallId })}
          />
        </>
      )}
      {kind?.says.map((one, i) => {
        if (typeof one === 'string') return <Fragment key={i}>{one}</Fragment>;
        const size = ceiling.sizes[one.size];
        return size ? <Fragment key={i}>{figure(one.label, size)}</Fragment> : null;
      })}
      {ceiling.zones.map((zone, i) => (
        <span key={zone.id}>
          ; {figure(`height of zone ${i + 1}`, zone.height)} high for {figure(`depth of zone ${i + 1}`, zone.depth)}{' '}
          from{' '}
          <Choice
            label={`Wall of ceiling zone ${i + 1}`}
            value={zone.wallId}
            among={walls}
            disabled={readOnly}
            onChange={(wallId: Id) =>
              change({ ...ceiling, zones: ceiling.zones.map((one) => (one.id === zone.id ? { ...one, wallId } : one)) })
            }
          />
        </span>
      ))}
      .
      {kind && kind.zones.length > 0 && !readOnly ? (
        <Button
          size="small"
          sx={{ color: 'secondary.main', py: 0 }}
          onClick={() => change({ ...ceiling, zones: [...ceiling.zones, nextZone(space, base, print)] })}
        >
          one zone more
        </Button>
      ) : null}
    </Sentence>
  );
}

/** A further lower strip, along the second wall. */
function nextZone(space: Space, base: number, print: (mm: number) => string): Ceiling['zones'][number] {
  const { zones } = space.ceiling;
  const estimate = (what: string, mm: number): Size =>
    estimatedSize(`${space.id}/zone-${zones.length + 1}-${what}`, mm, print);
  return {
    id: freshId(
      `${space.id}/zone-2`,
      zones.map((zone) => zone.id),
    ),
    wallId: (space.walls[1] ?? space.walls[0])?.id ?? '',
    depth: estimate('depth', 600),
    height: estimate('height', base - 200),
  };
}
