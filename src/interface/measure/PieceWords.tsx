'use client';
import Button from '@mui/material/Button';
import { at } from '@/core/base';
import {
  pieceCornerAt,
  mmOf,
  SOURCE_WORDS,
  SOURCES,
  wallOf,
  type Piece,
  type PieceCorner,
  type Project,
  type Size,
  type Source,
  several,
  type Change,
  estimatedSize,
} from '@/core/record';
import { divisionParts, kindOf, proposeStairs, stairHeadroom, stairReading, valuesOf } from '@/core/solids';
import { formatBareLength, formatLength, type LengthStyle } from '@/core/units';
import { AngleField, LengthField } from '@/interface/fields';
import { useLook } from '@/interface/theme';
import type { Commands } from '@/state';
import { Choice, CountField, NameField, Sentence } from './parts';

interface PieceWordsProps {
  readonly project: Project;
  readonly piece: Piece;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly readOnly: boolean;
  readonly showOutline: () => void;
}

/** The sizes, numbers and choices of the chosen piece, in sentences with their figures editable in place. */
export function PieceWords({ project, piece, style, commands, readOnly, showOutline }: PieceWordsProps) {
  const { look } = useLook();
  const kind = kindOf(piece.kind);
  const change = (change: Change, run?: string): void => commands.change(`Change ${piece.name}`, change, run);
  const figure = (name: string, size: Size, zero = false) => (
    <LengthField
      key={name}
      label={`${name[0]?.toUpperCase()}${name.slice(1)} of ${piece.name}`}
      mm={mmOf(size)}
      style={style}
      bare
      disabled={readOnly}
      {...(zero ? { rules: { zero: 'allowed' as const } } : {})}
      onChange={(mm, asTyped, nudged) =>
        change({ kind: 'correct-size', sizeId: size.id, mm, asTyped }, nudged ? `nudge/${size.id}` : undefined)
      }
    />
  );
  const values = kind ? valuesOf(kind, piece) : null;
  const claim = at(
    piece.width.claims.filter((one) => one.id === piece.width.inForce),
    0,
  );
  const corners: readonly (readonly [PieceCorner, string])[] = [
    ['back-left', 'back left'],
    ['back-right', 'back right'],
    ['front-left', 'front left'],
    ['front-right', 'front right'],
  ];
  return (
    <>
      <NameField
        label="Name of the piece"
        name={piece.name}
        disabled={readOnly}
        onChange={(name) => change({ kind: 'rename-thing', id: piece.id, name })}
      />
      <Sentence>
        {kind?.name ?? piece.kind}, {figure('width', piece.width)} wide, {figure('depth', piece.depth)} deep,{' '}
        {figure('height', piece.height)} high, {figure('lift', piece.lift, true)} above the floor:{' '}
        <Choice
          label={`Source of the width of ${piece.name}`}
          value={claim.source}
          among={SOURCES.map((one) => [one, SOURCE_WORDS[one]])}
          disabled={readOnly}
          onChange={(source: Source) =>
            change(
              several(
                [piece.width, piece.depth, piece.height].map(
                  (size) => ({ kind: 'source-size', sizeId: size.id, source }) as const,
                ),
              ),
            )
          }
        />
        .
      </Sentence>
      <Sentence>
        Its{' '}
        <Choice
          label={`Corner that ${piece.name} is placed by`}
          value={piece.place.pieceCorner}
          among={corners}
          disabled={readOnly}
          onChange={(pieceCorner) =>
            change({ kind: 'change-piece', pieceId: piece.id, fields: { place: { ...piece.place, pieceCorner } } })
          }
        />{' '}
        corner stands{' '}
        {piece.place.from.map((offset, i) => (
          <span key={offset.wallId}>
            {i === 1 ? ' and ' : ''}
            <LengthField
              label={`Distance of ${piece.name} from ${wallOf(project, offset.wallId)?.wall.name ?? ''}`}
              mm={mmOf(offset.distance)}
              style={style}
              bare
              disabled={readOnly}
              rules={{ negative: 'allowed', zero: 'allowed' }}
              onChange={(mm, asTyped, nudged) =>
                change(
                  { kind: 'correct-size', sizeId: offset.distance.id, mm, asTyped },
                  nudged ? `nudge/${offset.distance.id}` : undefined,
                )
              }
            />{' '}
            from {wallOf(project, offset.wallId)?.wall.name ?? ''}
          </span>
        ))}
        , turned{' '}
        <AngleField
          label={`Turn of the piece ${piece.name}`}
          degrees={piece.place.turnDeg}
          range={[0, 360]}
          disabled={readOnly}
          onChange={(degrees, nudged) =>
            change(
              { kind: 'turn-piece', pieceId: piece.id, turnDeg: degrees },
              nudged ? `nudge/turn-${piece.id}` : undefined,
            )
          }
        />
        {piece.mirrored ? ', mirrored' : ''}.
        {readOnly ? null : (
          <Button
            size="small"
            sx={{ color: 'secondary.main', py: 0 }}
            onClick={() => change({ kind: 'mirror-piece', pieceId: piece.id })}
          >
            mirror
          </Button>
        )}
      </Sentence>
      <ChecksSentence {...{ project, piece, style, commands, readOnly }} />
      {Object.keys(piece.sizes).length > 0 ? (
        <Sentence>
          {Object.entries(piece.sizes).map(([name, size], i) => (
            <span key={name}>
              {i > 0 ? ', ' : ''}
              {i === 0 ? `${name[0]?.toUpperCase()}${name.slice(1)}` : name}{' '}
              {figure(name, size, (kind?.sizes[name]?.least ?? 1) === 0)}
            </span>
          ))}
          .
        </Sentence>
      ) : null}
      {kind?.counts || kind?.choices ? (
        <Sentence>
          {Object.entries(kind.counts ?? {}).map(([name, rule]) => (
            <span key={name}>
              {name}{' '}
              <CountField
                label={`Number of ${name} of ${piece.name}`}
                count={piece.counts[name] ?? rule.usual}
                least={rule.least}
                most={rule.most}
                disabled={readOnly}
                onChange={(count) => change({ kind: 'set-count', pieceId: piece.id, name, count })}
              />{' '}
            </span>
          ))}
          {Object.entries(kind.choices ?? {}).map(([name, list]) => (
            <span key={name}>
              {name}{' '}
              <Choice
                label={`${name} of ${piece.name}`}
                value={piece.choices[name] ?? list[0] ?? ''}
                among={list.map((one) => [one, one])}
                disabled={readOnly}
                onChange={(choice) => change({ kind: 'set-choice', pieceId: piece.id, name, choice })}
              />{' '}
            </span>
          ))}
        </Sentence>
      ) : null}
      {kind && values
        ? Object.entries(kind.divisions ?? {}).map(([name, rule]) => {
            const division = piece.divisions[name] ?? { by: 'equal' as const, count: rule.usual };
            const parts = divisionParts(division, rule.usual);
            const whole = rule.whole(values);
            const print = (mm: number): string => formatBareLength(mm, style);
            return (
              <Sentence key={name}>
                {name}:{' '}
                <CountField
                  label={`Number of ${name} of ${piece.name}`}
                  count={parts.length}
                  least={1}
                  most={rule.most}
                  disabled={readOnly}
                  onChange={(count) =>
                    change({ kind: 'set-division', pieceId: piece.id, name, division: { by: 'equal', count } })
                  }
                />{' '}
                <Choice
                  label={`How the ${name} of ${piece.name} are shared out`}
                  value={division.by}
                  among={[
                    ['equal', 'all equal'],
                    ['ratio', 'by ratio'],
                    ['sizes', 'as measured'],
                  ]}
                  disabled={readOnly}
                  onChange={(by) =>
                    change({
                      kind: 'set-division',
                      pieceId: piece.id,
                      name,
                      division:
                        by === 'equal'
                          ? { by, count: parts.length }
                          : by === 'ratio'
                            ? { by, parts: [...parts] }
                            : {
                                by,
                                sizes: values.share(name, whole).map((mm, i) => {
                                  const rounded = Math.round(mm * 10) / 10;
                                  return estimatedSize(`${piece.id}/${name}-${i + 1}`, rounded, print);
                                }),
                              },
                    })
                  }
                />
                {division.by === 'sizes'
                  ? division.sizes.map((size, i) => (
                      <span key={size.id}>
                        {i === 0 ? ': ' : ', '}
                        {figure(`${name} ${i + 1}`, size)}
                      </span>
                    ))
                  : null}
                {division.by === 'ratio'
                  ? division.parts.map((part, i) => (
                      <span key={i}>
                        {i === 0 ? ': ' : ' : '}
                        <CountField
                          label={`Share ${i + 1} of the ${name} of ${piece.name}`}
                          count={Math.round(part)}
                          least={1}
                          most={99}
                          disabled={readOnly}
                          onChange={(share) =>
                            change({
                              kind: 'set-division',
                              pieceId: piece.id,
                              name,
                              division: {
                                by: 'ratio',
                                parts: division.parts.map((one, k) => (k === i ? share : one)),
                              },
                            })
                          }
                        />
                      </span>
                    ))
                  : null}
              </Sentence>
            );
          })
        : null}
      {kind?.id === 'block' ? (
        <Sentence>
          <Button size="small" sx={{ color: 'secondary.main', py: 0 }} onClick={showOutline}>
            cut its outlines
          </Button>
        </Sentence>
      ) : null}
      {kind?.group === 'stairs' && kind.counts?.risers ? (
        <StairWords {...{ project, piece, style, commands, readOnly }} />
      ) : null}
      {kind?.caution ? (
        <Sentence>
          <span style={{ color: look.faint }}>{kind.caution}</span>
        </Sentence>
      ) : null}
    </>
  );
}

/** Further offsets that must agree with the two that place the piece. */
function ChecksSentence({ project, piece, style, commands, readOnly }: Omit<PieceWordsProps, 'showOutline'>) {
  const placing = new Set([...piece.place.from.map((one) => one.wallId), ...piece.checks.map((one) => one.wallId)]);
  const home = project.spaces.find((space) => space.walls.some((wall) => wall.id === piece.place.from[0].wallId));
  const free = (home?.walls ?? []).filter((wall) => !placing.has(wall.id));
  if (readOnly && piece.checks.length === 0) return null;
  return (
    <Sentence>
      {piece.checks.map((check) => (
        <span key={check.id}>
          Checked: its {pieceCornerAt(check.pieceCorner).words} corner{' '}
          <LengthField
            label={`Check of ${piece.name} from ${wallOf(project, check.wallId)?.wall.name ?? ''}`}
            mm={mmOf(check.distance)}
            style={style}
            bare
            disabled={readOnly}
            rules={{ negative: 'allowed', zero: 'allowed' }}
            onChange={(mm, asTyped) =>
              commands.change('Measure a check', {
                kind: 'measure-check',
                pieceId: piece.id,
                checkId: check.id,
                mm,
                asTyped,
              })
            }
          />{' '}
          from {wallOf(project, check.wallId)?.wall.name ?? ''}.{' '}
          {readOnly ? null : (
            <Button
              size="small"
              sx={{ py: 0 }}
              onClick={() =>
                commands.change('Strike out a check', { kind: 'remove-check', pieceId: piece.id, checkId: check.id })
              }
            >
              strike out
            </Button>
          )}
        </span>
      ))}
      {readOnly || free.length === 0 ? null : (
        <>
          Check its place from{' '}
          {free.slice(0, 3).map((wall) => (
            <Button
              key={wall.id}
              size="small"
              sx={{ color: 'secondary.main', py: 0 }}
              onClick={() =>
                commands.change('Check a place', { kind: 'add-check', pieceId: piece.id, wallId: wall.id })
              }
            >
              {wall.name}
            </Button>
          ))}
        </>
      )}
    </Sentence>
  );
}

const WITHIN = { below: 'below the usual', usual: 'within the usual', above: 'above the usual' } as const;

/** Where a stair lies against the comfort rule, and what the calculator proposes for its height. */
function StairWords({ project, piece, style, commands, readOnly }: Omit<PieceWordsProps, 'showOutline'>) {
  const kind = kindOf(piece.kind);
  if (!kind) return null;
  const values = valuesOf(kind, piece);
  const risers = values.count('risers');
  const straight = piece.kind === 'straight-stair';
  const lower = kind.counts?.['risers to the landing']
    ? values.count('risers to the landing')
    : kind.counts?.['risers to the winders']
      ? values.count('risers to the winders')
      : risers;
  const landing =
    kind.sizes['flight width'] && piece.kind !== 'half-stair'
      ? values.size('flight width')
      : kind.sizes['landing depth']
        ? values.size('landing depth')
        : 0;
  const going = (values.depth - landing) / Math.max(1, lower - 1);
  const now = stairReading(values.height, risers, going);
  const show = (mm: number): string => formatLength(Math.round(mm * 10) / 10, style);
  const headroom = stairHeadroom(project, piece);
  const [best, second] = proposeStairs(values.height);
  const take = (proposal: NonNullable<typeof best>): void => {
    const mm = straight ? proposal.run : proposal.going * (Math.max(2, Math.round(proposal.risers / 2)) - 1) + landing;
    const counts = straight
      ? { ...piece.counts, risers: proposal.risers }
      : {
          ...piece.counts,
          risers: proposal.risers,
          ...(kind.counts?.['risers to the landing']
            ? { 'risers to the landing': Math.round(proposal.risers / 2) }
            : { 'risers to the winders': Math.round(proposal.risers / 2) - 1 }),
        };
    const depth = estimatedSize(`${piece.id}/depth`, mm, (value) => formatBareLength(value, style));
    commands.change(`Take ${proposal.risers} risers`, {
      kind: 'change-piece',
      pieceId: piece.id,
      fields: { counts, depth },
    });
  };
  return (
    <Sentence>
      {risers} risers of {show(now.rise)}, going {show(now.going)}: two rises and a going make {show(now.comfort)},{' '}
      {WITHIN[now.within]} 550 to 700 mm; pitch {Math.round(now.pitchDeg)}°.{' '}
      {headroom
        ? headroom.wellLength === null
          ? `Headroom at least ${show(headroom.least)}.`
          : `The floor above wants an opening ${show(headroom.wellLength)} long, back from the top riser, for the usual 2 m of headroom.`
        : null}{' '}
      {readOnly
        ? null
        : [best, second].map((one) =>
            one ? (
              <Button key={one.risers} size="small" sx={{ color: 'secondary.main', py: 0 }} onClick={() => take(one)}>
                {one.risers} risers, going {formatBareLength(one.going, style)}
              </Button>
            ) : null,
          )}
    </Sentence>
  );
}
