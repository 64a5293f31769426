'use client';
import { estimatedSize, type Change, type Division, type Piece } from '@/core/record';
import { divisionOf, divisionParts, eachOf, valuesOf, type DivisionRule, type Kind } from '@/core/solids';
import { formatBareLength } from '@/core/units';
import { useSession } from '@/interface/session';
import { figureFor } from './figures';
import { Choice, CountField, Sentence } from './parts';

interface Divided {
  readonly piece: Piece;
  readonly kind: Kind;
  readonly name: string;
  readonly rule: DivisionRule;
}

/** How a piece is divided, into drawers, shelves or bays; and where that differs, as shelves from bay to bay, there by itself. */
export function DivisionWords({ piece, kind, name, rule }: Divided) {
  const { commands, readOnly } = useSession();
  const each = eachOf(kind, valuesOf(kind, piece), name);
  const other = (each ? kind.divisions?.[each.of]?.one : undefined) ?? '';
  const parts = Array.from({ length: each && each.count > 1 ? each.count : 0 }, (_, part) => part);
  const own = parts.filter((part) => (piece.divisionsEach[name]?.[part] ?? null) !== null);
  const set = (part: number, division: Division | null): void =>
    commands.change(`Change ${piece.name}`, { kind: 'set-division-of', pieceId: piece.id, name, part, division });
  return (
    <>
      <DivisionLine {...{ piece, kind, name, rule }} part={null} of="" />
      {own.map((part) => (
        <DivisionLine key={part} {...{ piece, kind, name, rule, part }} of={`${other} ${part + 1}`} />
      ))}
      {parts.length > 0 && !readOnly ? (
        <Sentence>
          The same in all {own.length > 0 ? 'other ' : ''}
          {each?.of} but{' '}
          <Choice
            label={`Where the ${name} of ${piece.name} differ`}
            value="none"
            among={[
              ['none', 'none'],
              ...parts
                .filter((part) => !own.includes(part))
                .map((part): [string, string] => [String(part), `${other} ${part + 1}`]),
            ]}
            onChange={(part) => {
              if (part !== 'none') set(Number(part), piece.divisions[name] ?? { by: 'equal', count: rule.usual });
            }}
          />
        </Sentence>
      ) : null}
    </>
  );
}

/** One division in a sentence: how many parts, and how they are shared out; `part` and `of`: where, if not everywhere. */
function DivisionLine({
  piece,
  kind,
  name,
  rule,
  part,
  of,
}: Divided & { readonly part: number | null; readonly of: string }) {
  const { style, commands, readOnly } = useSession();
  const print = (mm: number): string => formatBareLength(mm, style);
  const division = divisionOf(piece, name, part) ?? { by: 'equal' as const, count: rule.usual };
  const parts = divisionParts(division, rule.usual);
  const lengths = valuesOf(kind, piece).share(name, part ?? undefined);
  const set = (to: Division | null): void => {
    const change: Change | null =
      part !== null
        ? { kind: 'set-division-of', pieceId: piece.id, name, part, division: to }
        : to && { kind: 'set-division', pieceId: piece.id, name, division: to };
    if (change) commands.change(`Change ${piece.name}`, change);
  };
  const where = part === null ? '' : ` in ${of}`;
  const stem = part === null ? `${piece.id}/${name}` : `${piece.id}/${name}-of-${part + 1}`;
  const shared = (by: Division['by']): Division => {
    if (by === 'equal') return { by, count: parts.length };
    if (by === 'ratio') return { by, parts: [...parts] };
    const rounded = lengths.map((mm) => Math.round(mm * 10) / 10);
    return { by, sizes: rounded.map((mm, i) => estimatedSize(`${stem}-${i + 1}`, mm, print)) };
  };
  const first = lengths[0] ?? 0;
  return (
    <Sentence>
      {part === null ? `${name}: ` : `${name} in ${of}: `}
      <CountField
        label={`Number of ${name} of ${piece.name}${where}`}
        count={parts.length}
        least={1}
        most={rule.most}
        disabled={readOnly}
        onChange={(count) => set({ by: 'equal', count })}
      />{' '}
      <Choice
        label={`How the ${name} of ${piece.name}${where} are shared out`}
        value={division.by}
        among={[
          ['equal', 'all equal'],
          ['ratio', 'by ratio'],
          ['sizes', 'as measured'],
        ]}
        disabled={readOnly}
        onChange={(by) => set(shared(by))}
      />
      {division.by === 'equal' ? `, ${print(first)} ${rule.clearOf === undefined ? '' : 'clear '}each` : null}
      {division.by === 'sizes' ? <MeasuredParts {...{ piece, name, division, where }} /> : null}
      {division.by === 'ratio' ? (
        <>
          <RatioParts {...{ piece, name, division, where, set }} />: {lengths.map(print).join(', ')}
          {rule.clearOf === undefined ? '' : ' clear'}
        </>
      ) : null}
      {part !== null && !readOnly ? (
        <>
          {' '}
          <button type="button" className="choice" onClick={() => set(null)}>
            as elsewhere
          </button>
        </>
      ) : null}
    </Sentence>
  );
}

interface Shown<By extends Division['by']> {
  readonly piece: Piece;
  readonly name: string;
  readonly where: string;
  readonly division: Extract<Division, { readonly by: By }>;
}

function MeasuredParts({ piece, name, where, division }: Shown<'sizes'>) {
  const figure = figureFor(useSession(), piece.name);
  return division.sizes.map((size, i) => (
    <span key={size.id}>
      {i === 0 ? ': ' : ', '}
      {figure(`${name} ${i + 1}${where}`, size)}
    </span>
  ));
}

function RatioParts({
  piece,
  name,
  where,
  division,
  set,
}: Shown<'ratio'> & { readonly set: (division: Division) => void }) {
  const { readOnly } = useSession();
  return division.parts.map((one, i) => (
    <span key={i}>
      {i === 0 ? ' ' : ' : '}
      <CountField
        label={`Share ${i + 1} of the ${name} of ${piece.name}${where}`}
        count={Math.round(one)}
        least={1}
        most={99}
        disabled={readOnly}
        onChange={(share) => set({ by: 'ratio', parts: division.parts.map((part, k) => (k === i ? share : part)) })}
      />
    </span>
  ));
}
