'use client';
import { type Piece, type Change, estimatedSize } from '@/core/record';
import { divisionParts, type DivisionRule, type Kind, valuesOf } from '@/core/solids';
import { formatBareLength } from '@/core/units';
import { useSession } from '@/interface/session';
import { figureFor } from './figures';
import { Choice, CountField, Sentence } from './parts';

/** How a piece is divided, into drawers, shelves or bays: how many, and how they are shared out. */
export function DivisionWords({
  piece,
  kind,
  name,
  rule,
}: {
  readonly piece: Piece;
  readonly kind: Kind;
  readonly name: string;
  readonly rule: DivisionRule;
}) {
  const session = useSession();
  const { style, commands, readOnly } = session;
  const figure = figureFor(session, piece.name);
  const change = (to: Change): void => commands.change(`Change ${piece.name}`, to);
  const values = valuesOf(kind, piece);
  const division = piece.divisions[name] ?? { by: 'equal' as const, count: rule.usual };
  const parts = divisionParts(division, rule.usual);
  const whole = rule.whole(values);
  const print = (mm: number): string => formatBareLength(mm, style);
  return (
    <Sentence>
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
}
