'use client';
import Button from '@mui/material/Button';
import { length2 } from '@/core/geometry';
import { freshId, mmOf, outlineOf, type Id, type Project, type Size, type Space, estimatedSize } from '@/core/record';
import { formatBareLength } from '@/core/units';
import { LengthField, NameField } from '@/interface/fields';
import { CeilingWords } from './CeilingWords';
import { closing, figureFor } from './figures';
import { Choice, Sentence } from './parts';
import { useSession } from '@/interface/session';

/** A room: its name, level, place, units, whether it closes, ceiling and mouldings. */
export function SpaceWords({ space }: { readonly space: Space }) {
  const { project, commands, readOnly, style } = useSession();
  const change = (edit: Partial<Omit<Space, 'id' | 'walls'>>): void =>
    commands.change(`Change ${space.name}`, { kind: 'change-space', spaceId: space.id, fields: edit });
  const gap = length2(outlineOf(space).closingGap);
  return (
    <>
      <NameField
        label="Name of the room"
        name={space.name}
        disabled={readOnly}
        onChange={(name) => commands.change('Rename', { kind: 'rename-thing', id: space.id, name })}
      />
      <LevelSentence space={space} />
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
          onChange={(units: Project['units']) => commands.change('Change the units', { kind: 'change-units', units })}
        />
        .
      </Sentence>
      <Sentence>
        {closing(space, style)}
        {gap > 0.05 && !readOnly ? (
          <Button
            size="small"
            sx={{ color: 'secondary.main', py: 0 }}
            onClick={() =>
              commands.change('Share the closing error', { kind: 'share-closing-error', spaceId: space.id })
            }
          >
            share it over all walls
          </Button>
        ) : null}
      </Sentence>
      <CeilingWords space={space} />
      <Sentence>
        <MouldingWords space={space} what="skirting" /> <MouldingWords space={space} what="cornice" />
      </Sentence>
    </>
  );
}

/** On which level it lies, and how high that is. */
function LevelSentence({ space }: { readonly space: Space }) {
  const session = useSession();
  const { project, commands, readOnly, style } = session;
  const print = (mm: number): string => formatBareLength(mm, style);
  const change = (edit: Partial<Omit<Space, 'id' | 'walls'>>): void =>
    commands.change(`Change ${space.name}`, { kind: 'change-space', spaceId: space.id, fields: edit });
  const base = mmOf(space.ceilingHeight);
  return (
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
          figureFor(session, level.name)('elevation', level.elevation, { negative: 'allowed', zero: 'allowed' }),
        )}
      .{' '}
      {readOnly ? null : (
        <Button
          size="small"
          sx={{ color: 'secondary.main', py: 0 }}
          onClick={() => {
            const highest = Math.max(...project.levels.map((level) => mmOf(level.elevation)));
            const id = freshId(
              'level',
              project.levels.map((level) => level.id),
            );
            const mm = highest + base + 300;
            commands.change('Add a level', {
              kind: 'add-level',
              id,
              name: `Level ${project.levels.length + 1}`,
              elevation: estimatedSize(`${id}/elevation`, mm, print),
            });
          }}
        >
          add a level
        </Button>
      )}
    </Sentence>
  );
}

/** Skirting or cornice: its sizes, or the way to have one. */
function MouldingWords({ space, what }: { readonly space: Space; readonly what: 'skirting' | 'cornice' }) {
  const session = useSession();
  const { commands, readOnly, style } = session;
  const print = (mm: number): string => formatBareLength(mm, style);
  const change = (edit: Partial<Omit<Space, 'id' | 'walls'>>): void =>
    commands.change(`Change ${space.name}`, { kind: 'change-space', spaceId: space.id, fields: edit });
  const figure = figureFor(session, space.name);
  const estimate = (name: string, mm: number): Size => estimatedSize(`${space.id}/${name}`, mm, print);
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
}
