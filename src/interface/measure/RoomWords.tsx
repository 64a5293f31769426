'use client';
import Button from '@mui/material/Button';
import { length2 } from '@/core/geometry';
import {
  addLevel,
  changeOpening,
  changeSpace,
  changeSurface,
  changeWall,
  correctSize,
  freshId,
  mmOf,
  newSize,
  outlineOf,
  pushWall,
  renameThing,
  shareClosingError,
  USUAL_UNCERTAINTY_MM,
  wallOf,
  type Ceiling,
  type Edit,
  type Id,
  type Opening,
  type Project,
  type Size,
  type Space,
  type Surface,
} from '@/core/record';
import { OPENING_FITTINGS } from '@/core/solids';
import { formatBareLength, formatLength, type LengthStyle } from '@/core/units';
import { AngleField, LengthField } from '@/interface/fields';
import type { Commands } from '@/state';
import { Choice, CountField, NameField, Sentence } from './parts';

interface Given {
  readonly project: Project;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly readOnly: boolean;
}

function figureFor({ style, commands, readOnly }: Given, owner: string) {
  return function figure(
    name: string,
    size: Size,
    rules: { readonly negative?: 'allowed'; readonly zero?: 'allowed' } = {},
  ) {
    return (
      <LengthField
        key={size.id}
        label={`${name[0]?.toUpperCase()}${name.slice(1)} of ${owner}`}
        mm={mmOf(size)}
        style={style}
        bare
        disabled={readOnly}
        rules={rules}
        onChange={(mm, asTyped, nudged) =>
          commands.change(
            'Change a size',
            (now) => correctSize(now, size.id, { mm, asTyped }),
            nudged ? `nudge/${size.id}` : undefined,
          )
        }
      />
    );
  };
}

export function OpeningWords({ opening, ...given }: Given & { readonly opening: Opening }) {
  const { project, commands, readOnly, style } = given;
  const rules = OPENING_FITTINGS[opening.kind];
  const figure = figureFor(given, opening.name);
  const change = (edit: Partial<Omit<Opening, 'id'>>): void =>
    commands.change(`Change ${opening.name}`, (now) => changeOpening(now, opening.id, edit));
  const owner = wallOf(project, opening.wallId);
  const walls = owner?.space.walls ?? [];
  const index = walls.findIndex((wall) => wall.id === opening.wallId);
  const after = walls[(index + 1) % walls.length];
  const others = project.spaces
    .filter((space) => space.id !== owner?.space.id)
    .flatMap((space) => space.walls.map((wall) => [wall.id, `${wall.name} of ${space.name}`] as const));
  return (
    <>
      <NameField
        label="Name of the opening"
        name={opening.name}
        disabled={readOnly}
        onChange={(name) => commands.change('Rename', (now) => renameThing(now, opening.id, name))}
      />
      <Sentence>
        {rules.name} in {owner?.wall.name}, {figure('offset', opening.offset, { negative: 'allowed', zero: 'allowed' })}{' '}
        from its{' '}
        <Choice
          label={`Corner that ${opening.name} is measured from`}
          value={opening.fromCorner}
          among={[
            [owner?.wall.startCorner ?? '', 'left'],
            [after?.startCorner ?? '', 'right'],
          ]}
          disabled={readOnly}
          onChange={(fromCorner: Id) => {
            const length = mmOf(owner?.wall.length ?? opening.width);
            const mm = length - mmOf(opening.offset) - mmOf(opening.width);
            change({
              fromCorner,
              offset: newSize(opening.offset.id, {
                mm,
                asTyped: formatBareLength(mm, style),
                source: 'estimated',
                uncertaintyMm: USUAL_UNCERTAINTY_MM.estimated,
              }),
            });
          }}
        />{' '}
        corner, {figure('width', opening.width)} wide, {figure('height', opening.height)} high, sill{' '}
        {figure('sill', opening.sill, { zero: 'allowed' })}, reveal{' '}
        {figure('reveal', opening.reveal, { zero: 'allowed' })}; its head is{' '}
        <Choice
          label={`Head of ${opening.name}, shape`}
          value={opening.head}
          among={[
            ['flat', 'flat'],
            ['arched', 'arched'],
          ]}
          disabled={readOnly}
          onChange={(head: 'flat' | 'arched') => change({ head })}
        />
        .
      </Sentence>
      {Object.keys(opening.sizes).length > 0 ? (
        <Sentence>
          {Object.entries(opening.sizes).map(([name, size], i) => (
            <span key={name}>
              {i > 0 ? ', ' : ''}
              {name} {figure(name, size, { zero: 'allowed' })}
            </span>
          ))}
          .
        </Sentence>
      ) : null}
      <Sentence>
        {Object.entries(rules.counts).map(([name, rule]) => (
          <span key={name}>
            {name === 'open by' ? 'open by, degrees' : name}{' '}
            <CountField
              label={`${name} of ${opening.name}`}
              count={opening.counts[name] ?? rule.usual}
              least={rule.least}
              most={rule.most}
              disabled={readOnly}
              onChange={(count) => change({ counts: { ...opening.counts, [name]: count } })}
            />{' '}
          </span>
        ))}
        {Object.entries(rules.choices).map(([name, list]) => (
          <span key={name}>
            {name}{' '}
            <Choice
              label={`${name} of ${opening.name}`}
              value={opening.choices[name] ?? list[0] ?? ''}
              among={list.map((one) => [one, one])}
              disabled={readOnly}
              onChange={(choice) => change({ choices: { ...opening.choices, [name]: choice } })}
            />{' '}
          </span>
        ))}
      </Sentence>
      {others.length > 0 ? (
        <Sentence>
          It leads{' '}
          <Choice
            label={`Where ${opening.name} leads`}
            value={opening.throughWallId ?? ''}
            among={[['', 'outside'], ...others.map(([id, words]) => [id, `through ${words}`] as const)]}
            disabled={readOnly}
            onChange={(id: string) => change({ throughWallId: id === '' ? null : id })}
          />
          .
        </Sentence>
      ) : null}
    </>
  );
}

export function WallWords({ wallId, ...given }: Given & { readonly wallId: Id }) {
  const { project, commands, readOnly, style } = given;
  const owner = wallOf(project, wallId);
  if (!owner) return null;
  const { wall, space } = owner;
  const figure = figureFor(given, wall.name);
  const print = (mm: number): string => formatBareLength(mm, style);
  const push = (by: number): void => {
    const length = mmOf(wall.length);
    commands.change(by > 0 ? 'Push out a niche' : 'Push in a breast', (now) =>
      pushWall(now, { wallId, from: length / 3, to: (length * 2) / 3, by }, print),
    );
  };
  return (
    <>
      <NameField
        label="Name of the wall"
        name={wall.name}
        disabled={readOnly}
        onChange={(name) => commands.change('Rename', (now) => renameThing(now, wallId, name))}
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
              (now) => changeWall(now, wallId, { bearingDeg }),
              nudged ? `nudge/bearing-${wallId}` : undefined,
            )
          }
        />
        . {closing(space, style)}
      </Sentence>
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

function closing(space: Space, style: LengthStyle): string {
  const gap = length2(outlineOf(space).closingGap);
  return gap > 0.05
    ? `The walls miss closing by ${formatLength(Math.round(gap * 10) / 10, style)}.`
    : 'The walls close.';
}

export function SpaceWords({ space, ...given }: Given & { readonly space: Space }) {
  const { project, commands, readOnly, style } = given;
  const figure = figureFor(given, space.name);
  const print = (mm: number): string => formatBareLength(mm, style);
  const estimate = (what: string, mm: number): Size =>
    newSize(`${space.id}/${what}`, {
      mm,
      asTyped: print(mm),
      source: 'estimated',
      uncertaintyMm: USUAL_UNCERTAINTY_MM.estimated,
    });
  const change = (edit: Partial<Omit<Space, 'id' | 'walls'>>): void =>
    commands.change(`Change ${space.name}`, (now) => changeSpace(now, space.id, edit));
  const base = mmOf(space.ceilingHeight);
  const walls = space.walls.map((wall) => [wall.id, wall.name] as const);
  const { ceiling } = space;
  const first = walls[0]?.[0] ?? '';
  const shapes: Readonly<Record<Ceiling['shape'], () => Ceiling>> = {
    flat: () => ({ shape: 'flat' }),
    stepped: () => ({
      shape: 'stepped',
      zones: [
        {
          id: `${space.id}/zone-1`,
          wallId: first,
          depth: estimate('zone-1-depth', 900),
          height: estimate('zone-1-height', base - 300),
        },
      ],
    }),
    sloped: () => ({ shape: 'sloped', wallId: first, highHeight: estimate('high', base + 800) }),
    gabled: () => ({
      shape: 'gabled',
      wallId: first,
      ridgeFrom: estimate('ridge-from', 1500),
      ridgeHeight: estimate('ridge', base + 1000),
    }),
    barrel: () => ({ shape: 'barrel', wallId: first, rise: estimate('rise', 600) }),
  };
  const gap = length2(outlineOf(space).closingGap);
  const moulding = (what: 'skirting' | 'cornice') => {
    const now = space[what];
    return now ? (
      <>
        {what} {figure(`${what} height`, now.height)} high, {figure(`${what} thickness`, now.thickness)} thick{' '}
        {readOnly ? null : (
          <Button size="small" sx={{ py: 0 }} onClick={() => change({ [what]: null })}>
            take off
          </Button>
        )}
      </>
    ) : readOnly ? null : (
      <Button
        size="small"
        sx={{ color: 'secondary.main', py: 0 }}
        onClick={() =>
          change({
            [what]: {
              height: estimate(`${what}-height`, 90),
              thickness: estimate(`${what}-thickness`, what === 'skirting' ? 18 : 60),
            },
          })
        }
      >
        add {what}
      </Button>
    );
  };
  return (
    <>
      <NameField
        label="Name of the room"
        name={space.name}
        disabled={readOnly}
        onChange={(name) => commands.change('Rename', (now) => renameThing(now, space.id, name))}
      />
      <Sentence>
        A room of {space.walls.length} walls on{' '}
        <Choice
          label={`Level of ${space.name}`}
          value={space.levelId}
          among={project.levels.map((level) => [level.id, level.name])}
          disabled={readOnly}
          onChange={(levelId: Id) => change({ levelId })}
        />
        , whose floor lies at{' '}
        {project.levels
          .filter((level) => level.id === space.levelId)
          .map((level) =>
            figureFor(given, level.name)('elevation', level.elevation, { negative: 'allowed', zero: 'allowed' }),
          )}
        .{' '}
        {readOnly ? null : (
          <Button
            size="small"
            sx={{ color: 'secondary.main', py: 0 }}
            onClick={() =>
              commands.change('Add a level', (now): Edit => {
                const highest = Math.max(...now.levels.map((level) => mmOf(level.elevation)));
                const id = freshId(
                  'level',
                  now.levels.map((level) => level.id),
                );
                const mm = highest + base + 300;
                return addLevel(
                  now,
                  id,
                  `Level ${now.levels.length + 1}`,
                  newSize(`${id}/elevation`, {
                    mm,
                    asTyped: print(mm),
                    source: 'estimated',
                    uncertaintyMm: USUAL_UNCERTAINTY_MM.estimated,
                  }),
                );
              })
            }
          >
            add a level
          </Button>
        )}
      </Sentence>
      <Sentence>
        Its first corner lies{' '}
        {(['x', 'y'] as const).map((axis) => (
          <span key={axis}>
            {axis === 'y' ? ' and ' : ''}
            <LengthField
              label={axis === 'x' ? `${space.name}, east of zero` : `${space.name}, north of zero`}
              mm={space.origin[axis]}
              style={style}
              bare
              disabled={readOnly}
              rules={{ negative: 'allowed', zero: 'allowed' }}
              onChange={(mm) => change({ origin: { ...space.origin, [axis]: mm } })}
            />{' '}
            {axis === 'x' ? 'east' : 'north'}
          </span>
        ))}{' '}
        of zero; figures are{' '}
        <Choice
          label="Units of the project"
          value={project.units}
          among={[
            ['metric', 'metric'],
            ['imperial', 'feet and inches'],
          ]}
          disabled={readOnly}
          onChange={(units: Project['units']) => commands.change('Change the units', (now) => ({ ...now, units }))}
        />
        .
      </Sentence>
      <Sentence>
        {closing(space, style)}
        {gap > 0.05 && !readOnly ? (
          <Button
            size="small"
            sx={{ color: 'secondary.main', py: 0 }}
            onClick={() => commands.change('Share the closing error', (now) => shareClosingError(now, space.id, print))}
          >
            share it over all walls
          </Button>
        ) : null}
      </Sentence>
      <Sentence>
        Its ceiling is{' '}
        <Choice
          label={`Ceiling of ${space.name}`}
          value={ceiling.shape}
          among={(Object.keys(shapes) as Ceiling['shape'][]).map((shape) => [
            shape,
            shape === 'barrel' ? 'a barrel vault' : shape,
          ])}
          disabled={readOnly}
          onChange={(shape: Ceiling['shape']) => change({ ceiling: shapes[shape]() })}
        />
        , {figure('ceiling height', space.ceilingHeight)} high
        {ceiling.shape === 'flat' || ceiling.shape === 'stepped' ? null : (
          <>
            , along{' '}
            <Choice
              label={`Wall that the ceiling of ${space.name} runs along`}
              value={ceiling.wallId}
              among={walls}
              disabled={readOnly}
              onChange={(wallId: Id) => change({ ceiling: { ...ceiling, wallId } })}
            />
          </>
        )}
        {ceiling.shape === 'sloped' ? <>, rising to {figure('height at the high side', ceiling.highHeight)}</> : null}
        {ceiling.shape === 'gabled' ? (
          <>
            , its ridge {figure('ridge height', ceiling.ridgeHeight)} high,{' '}
            {figure('ridge distance', ceiling.ridgeFrom)} from that wall
          </>
        ) : null}
        {ceiling.shape === 'barrel' ? <>, rising by {figure('rise of the vault', ceiling.rise)}</> : null}
        {ceiling.shape === 'stepped'
          ? ceiling.zones.map((zone, i) => (
              <span key={zone.id}>
                ; {figure(`height of zone ${i + 1}`, zone.height)} high for{' '}
                {figure(`depth of zone ${i + 1}`, zone.depth)} from{' '}
                <Choice
                  label={`Wall of ceiling zone ${i + 1}`}
                  value={zone.wallId}
                  among={walls}
                  disabled={readOnly}
                  onChange={(wallId: Id) =>
                    change({
                      ceiling: {
                        ...ceiling,
                        zones: ceiling.zones.map((one) => (one.id === zone.id ? { ...one, wallId } : one)),
                      },
                    })
                  }
                />
              </span>
            ))
          : null}
        .
        {ceiling.shape === 'stepped' && !readOnly ? (
          <Button
            size="small"
            sx={{ color: 'secondary.main', py: 0 }}
            onClick={() => {
              const id = freshId(
                `${space.id}/zone-2`,
                ceiling.zones.map((zone) => zone.id),
              );
              const n = ceiling.zones.length + 1;
              change({
                ceiling: {
                  ...ceiling,
                  zones: [
                    ...ceiling.zones,
                    {
                      id,
                      wallId: walls[1]?.[0] ?? first,
                      depth: estimate(`zone-${n}-depth`, 600),
                      height: estimate(`zone-${n}-height`, base - 200),
                    },
                  ],
                },
              });
            }}
          >
            one zone more
          </Button>
        ) : null}
      </Sentence>
      <Sentence>
        {moulding('skirting')} {moulding('cornice')}
      </Sentence>
    </>
  );
}

export function SurfaceWords({ surface, ...given }: Given & { readonly surface: Surface }) {
  const { project, commands, readOnly } = given;
  const figure = figureFor(given, surface.name);
  const change = (edit: Partial<Omit<Surface, 'id'>>): void =>
    commands.change(`Change ${surface.name}`, (now) => changeSurface(now, surface.id, edit));
  const space = project.spaces.find((one) => one.id === surface.spaceId);
  const lights = surface.kind === 'lights';
  return (
    <>
      <NameField
        label="Name of the surface"
        name={surface.name}
        disabled={readOnly}
        onChange={(name) => commands.change('Rename', (now) => renameThing(now, surface.id, name))}
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
          onChange={(kind: Surface['kind']) => change({ kind })}
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
    </>
  );
}
