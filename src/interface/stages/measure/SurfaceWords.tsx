'use client';
import { newSize, USUAL_UNCERTAINTY_MM, type Id, type LightRows, type Surface } from '@/core/record';
import { formatBareLength } from '@/core/units';
import { AngleField, NameField } from '@/interface/fields';
import { figureFor } from './figures';
import { LightWords } from './LightWords';
import { Choice, Sentence } from './parts';
import { usualLights } from './place-template';
import { useSession } from '@/interface/session';

export function SurfaceWords({ surface }: { readonly surface: Surface }) {
  const session = useSession();
  const { project, commands, readOnly } = session;
  const figure = figureFor(session, surface.name);
  const change = (edit: Partial<Omit<Surface, 'id'>>): void =>
    commands.change(`Change ${surface.name}`, { kind: 'change-surface', surfaceId: surface.id, fields: edit });
  const space = project.spaces.find((one) => one.id === surface.spaceId);
  const lights = surface.kind === 'lights';
  const lightsAnew = (): LightRows =>
    usualLights((name, mm) =>
      newSize(`${surface.id}/${name}`, {
        ...{ mm, asTyped: formatBareLength(mm, session.style), source: 'usual' },
        uncertaintyMm: USUAL_UNCERTAINTY_MM.usual,
      }),
    );
  return (
    <>
      <NameField
        label="Name of the surface"
        name={surface.name}
        disabled={readOnly}
        onChange={(name) => commands.change('Rename', { kind: 'rename-thing', id: surface.id, name })}
      />
      <Sentence>
        <Choice
          label="Kind of surface"
          value={surface.kind}
          among={[
            ['boards', 'Boards'],
            ['tiles', 'Tiles'],
            ['panels', 'Panels'],
            ['lights', 'Lights in a row'],
          ]}
          disabled={readOnly}
          onChange={(kind: Surface['kind']) =>
            change({ kind, ...(kind === 'lights' ? { lights: surface.lights ?? lightsAnew() } : {}) })
          }
        />{' '}
        on the{' '}
        <Choice
          label="Where the surface lies"
          value={surface.on}
          among={[
            ['floor', 'floor'],
            ['ceiling', 'ceiling'],
            ['wall', 'wall'],
          ]}
          disabled={readOnly}
          onChange={(on: Surface['on']) => change({ on })}
        />
        , laid out from{' '}
        <Choice
          label="Wall the surface is laid out from"
          value={surface.wallId}
          among={(space?.walls ?? []).map((wall) => [wall.id, wall.name])}
          disabled={readOnly}
          onChange={(wallId: Id) => change({ wallId })}
        />
        , beginning {figure('start', surface.start, { negative: 'allowed', zero: 'allowed' })} from its left corner,
        turned{' '}
        <AngleField
          label={`Turn of ${surface.name}`}
          degrees={surface.turnDeg}
          range={[0, 360]}
          disabled={readOnly}
          onChange={(turnDeg) => change({ turnDeg })}
        />
        .
      </Sentence>
      <Sentence>
        {lights ? 'From light to light' : 'Each'} {figure('length', surface.length)}
        {lights ? ', each ' : ' by '}
        {figure('breadth', surface.breadth)}
        {lights ? ' wide.' : <>, joints {figure('joint', surface.joint, { zero: 'allowed' })}, laid in</>}{' '}
        {lights ? null : (
          <Choice
            label={`Bond of ${surface.name}`}
            value={surface.bond}
            among={[
              ['square', 'rows'],
              ['broken', 'a broken bond'],
              ['staggered', 'staggered ends'],
            ]}
            disabled={readOnly}
            onChange={(bond: Surface['bond']) => change({ bond })}
          />
        )}
      </Sentence>
      {lights ? (
        <LightWords
          surface={surface}
          lights={surface.lights}
          onAnew={() => change({ lights: lightsAnew() })}
          onChange={(fields) => surface.lights && change({ lights: { ...surface.lights, ...fields } })}
        />
      ) : null}
    </>
  );
}
