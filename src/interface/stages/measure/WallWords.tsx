'use client';
import { useMemo } from 'react';
import { leftOutOf } from '@/core/pipeline';
import Button from '@mui/material/Button';
import { mmOf, wallOf, type Id } from '@/core/record';
import { AngleField, LengthField, NameField } from '@/interface/fields';
import { closing, figureFor } from './figures';
import { Sentence } from './parts';
import type { Measuring } from './use-measure';
import { useSession, useWorkedOut } from '@/interface/session';

export function WallWords({
  wallId,
  desk,
}: {
  readonly wallId: Id;
  readonly desk: Pick<Measuring, 'within' | 'setWithin'>;
}) {
  const session = useSession();
  const { project, commands, readOnly, style } = session;
  const owner = wallOf(project, wallId);
  if (!owner) return null;
  const { wall, space } = owner;
  const figure = figureFor(session, wall.name);
  const push = (by: number): void => {
    const length = mmOf(wall.length);
    commands.change(by > 0 ? 'Push out a niche' : 'Push in a breast', {
      kind: 'push-wall',
      wallId,
      from: length / 3,
      to: (length * 2) / 3,
      by,
    });
  };
  return (
    <>
      <NameField
        label="Name of the wall"
        name={wall.name}
        disabled={readOnly}
        onChange={(name) => commands.change('Rename', { kind: 'rename-thing', id: wallId, name })}
      />
      <Sentence>
        A wall of {space.name}, {figure('length', wall.length)} long, bearing{' '}
        <AngleField
          label={`Bearing of ${wall.name}`}
          degrees={wall.bearingDeg}
          range={[0, 360]}
          disabled={readOnly}
          onChange={(bearingDeg, nudged) =>
            commands.change(
              'Turn a wall',
              { kind: 'change-wall', wallId, fields: { bearingDeg } },
              nudged ? `nudge/bearing-${wallId}` : undefined,
            )
          }
        />
        . {closing(space, style)}
      </Sentence>
      <ElevationWords wallId={wallId} within={desk.within} setWithin={desk.setWithin} />
      {readOnly ? null : (
        <Sentence>
          Its middle third may be{' '}
          <Button size="small" sx={{ color: 'secondary.main', py: 0 }} onClick={() => push(300)}>
            pushed out
          </Button>{' '}
          to a niche or{' '}
          <Button size="small" sx={{ color: 'secondary.main', py: 0 }} onClick={() => push(-300)}>
            pushed in
          </Button>{' '}
          to a breast; then type its sizes.
        </Sentence>
      )}
    </>
  );
}

/** How far before the wall its elevation reaches, and what of the room is left out of it. */
function ElevationWords({
  wallId,
  within,
  setWithin,
}: { readonly wallId: Id } & Pick<Measuring, 'within' | 'setWithin'>) {
  const { project, style } = useSession();
  const { scene } = useWorkedOut();
  const leftOut = useMemo(() => leftOutOf(project, scene, wallId, within), [project, scene, wallId, within]);
  return (
    <Sentence>
      Its elevation shows what stands within{' '}
      <LengthField label="Depth of the elevation" mm={within} style={style} bare onChange={(mm) => setWithin(mm)} /> of
      it, fainter the farther off
      {leftOut.length === 0 ? '' : `; left out: ${leftOut.join(', ')}`}.
    </Sentence>
  );
}
