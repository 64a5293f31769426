'use client';
import { capital } from '@/core/base';
import { type Piece, type Change } from '@/core/record';
import { type Kind } from '@/core/solids';
import { useSession } from '@/interface/session';
import { figureFor } from './figures';
import { DivisionWords } from './DivisionWords';
import { Choice, CountField, Sentence } from './parts';

/** Its own sizes, numbers, choices and divisions, as its kind has them. */
export function PieceFittings({ piece, kind }: { readonly piece: Piece; readonly kind: Kind | undefined }) {
  const session = useSession();
  const { commands, readOnly } = session;
  const figure = figureFor(session, piece.name);
  const change = (to: Change): void => commands.change(`Change ${piece.name}`, to);
  return (
    <>
      {Object.keys(piece.sizes).length > 0 ? (
        <Sentence>
          {Object.entries(piece.sizes).map(([name, size], i) => (
            <span key={name}>
              {i > 0 ? ', ' : ''}
              {i === 0 ? capital(name) : name}{' '}
              {figure(name, size, (kind?.sizes[name]?.least ?? 1) === 0 ? { zero: 'allowed' } : {})}
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
      {kind
        ? Object.entries(kind.divisions ?? {}).map(([name, rule]) => (
            <DivisionWords key={name} piece={piece} kind={kind} name={name} rule={rule} />
          ))
        : null}
      {kind ? (
        <Sentence>
          Seams of its boards are{' '}
          <Choice
            label={`Seams of ${piece.name}`}
            value={piece.seams}
            among={[
              ['hidden', 'left out'],
              ['shown', 'drawn'],
            ]}
            disabled={readOnly}
            onChange={(seams: Piece['seams']) => change({ kind: 'change-piece', pieceId: piece.id, fields: { seams } })}
          />
          .
        </Sentence>
      ) : null}
    </>
  );
}
