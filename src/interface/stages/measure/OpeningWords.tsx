'use client';
import { mmOf, wallOf, type Id, type Opening, estimatedSize } from '@/core/record';
import { openingKindOf, type OpeningKind } from '@/core/solids';
import { formatBareLength } from '@/core/units';
import { figureFor } from './figures';
import { NameField } from '@/interface/fields';
import { useSession } from '@/interface/session';
import { Choice, CountField, Sentence } from './parts';

export function OpeningWords({ opening }: { readonly opening: Opening }) {
  const session = useSession();
  const { project, commands, readOnly, style } = session;
  const rules = openingKindOf(opening.kind);
  const figure = figureFor(session, opening.name);
  const change = (edit: Partial<Omit<Opening, 'id'>>): void =>
    commands.change(`Change ${opening.name}`, { kind: 'change-opening', openingId: opening.id, fields: edit });
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
        onChange={(name) => commands.change('Rename', { kind: 'rename-thing', id: opening.id, name })}
      />
      <Sentence>
        {rules?.name ?? opening.name} in {owner?.wall.name},{' '}
        {figure('offset', opening.offset, { negative: 'allowed', zero: 'allowed' })} from its{' '}
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
              offset: estimatedSize(opening.offset.id, mm, (value) => formatBareLength(value, style)),
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
      {rules ? <FittingWords opening={opening} rules={rules} change={change} /> : null}
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

/** How it is fitted: its numbers and its choices, as its kind has them. */
function FittingWords({
  opening,
  rules,
  change,
}: {
  readonly opening: Opening;
  readonly rules: OpeningKind;
  readonly change: (edit: Partial<Omit<Opening, 'id'>>) => void;
}) {
  const { readOnly } = useSession();
  return (
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
  );
}
