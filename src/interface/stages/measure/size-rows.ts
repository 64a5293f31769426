import type { GridColDef } from '@mui/x-data-grid';
import { allSizes, claimOf, SOURCE_WORDS, SOURCES, type Change, type Project, type Source } from '@/core/record';
import { formatLength, parseLength, type LengthStyle } from '@/core/units';

/** One size of the record, as the table shows it. */
export interface SizeRow {
  readonly id: string;
  readonly ownerId: string;
  readonly owner: string;
  readonly what: string;
  readonly mm: number;
  readonly figure: string;
  readonly source: string;
  readonly uncertainty: string;
  readonly claims: number;
}

export const rowsOf = (project: Project, style: LengthStyle): readonly SizeRow[] =>
  allSizes(project).map(({ size, owner, ownerId, what }): SizeRow => {
    const claim = claimOf(size);
    return {
      id: size.id,
      ownerId,
      owner,
      what,
      mm: claim.mm,
      figure: formatLength(claim.mm, style),
      source: SOURCE_WORDS[claim.source],
      uncertainty: formatLength(claim.uncertaintyMm, style),
      claims: size.claims.length,
    };
  });

export const columnsOf = (all: readonly SizeRow[], readOnly: boolean): GridColDef<SizeRow>[] => [
  { field: 'owner', headerName: 'of', flex: 1.4, minWidth: 150 },
  { field: 'what', headerName: 'size', flex: 1.2, minWidth: 130 },
  {
    field: 'figure',
    headerName: 'figure',
    flex: 1,
    minWidth: 110,
    align: 'right',
    headerAlign: 'right',
    editable: !readOnly,
    cellClassName: 'figure',
    sortComparator: (_a, _b, one, other) =>
      (all.find((row) => row.id === one.id)?.mm ?? 0) - (all.find((row) => row.id === other.id)?.mm ?? 0),
  },
  {
    field: 'source',
    headerName: 'where it comes from',
    flex: 1.3,
    minWidth: 150,
    editable: !readOnly,
    type: 'singleSelect',
    valueOptions: SOURCES.map((one) => SOURCE_WORDS[one]),
  },
  {
    field: 'uncertainty',
    headerName: 'give or take',
    flex: 0.9,
    minWidth: 100,
    align: 'right',
    headerAlign: 'right',
    editable: !readOnly,
    cellClassName: 'figure',
  },
  { field: 'claims', headerName: 'claims', width: 80, type: 'number' },
];

const sourceOf = (text: string): Source => SOURCES.find((one) => SOURCE_WORDS[one] === text) ?? 'estimated';

/**
 * What a row typed over means; null where nothing of it changed. With `newClaim` a figure is kept beside what was said before.
 * @throws with words for the user where a figure cannot be read: the table then keeps the cell open
 */
export function editOf(
  next: SizeRow,
  before: SizeRow,
  newClaim: boolean,
  style: LengthStyle,
): { readonly label: string; readonly change: Change; readonly row: SizeRow } | null {
  if (next.figure !== before.figure) {
    const read = parseLength(next.figure, { units: style.units, zero: 'allowed', negative: 'allowed' });
    if (!read.ok) throw new Error(`${before.what} of ${before.owner}: ${read.error.message}`);
    const { mm, asTyped } = read.value;
    return {
      label: `Change the ${before.what} of ${before.owner}`,
      change: newClaim
        ? { kind: 'claim-size', sizeId: before.id, claim: { mm, asTyped, source: 'measured', uncertaintyMm: 3 } }
        : { kind: 'correct-size', sizeId: before.id, mm, asTyped },
      row: { ...next, mm, figure: formatLength(mm, style) },
    };
  }
  if (next.source !== before.source) {
    return {
      label: `Source of the ${before.what} of ${before.owner}`,
      change: {
        kind: 'source-size',
        sizeId: before.id,
        source: sourceOf(next.source),
      },
      row: next,
    };
  }
  if (next.uncertainty !== before.uncertainty) {
    const read = parseLength(next.uncertainty, { units: style.units, zero: 'allowed' });
    if (!read.ok) throw new Error(`Give or take of the ${before.what} of ${before.owner}: ${read.error.message}`);
    const { mm } = read.value;
    return {
      label: `Uncertainty of the ${before.what} of ${before.owner}`,
      change: {
        kind: 'source-size',
        sizeId: before.id,
        source: sourceOf(before.source),
        uncertaintyMm: mm,
      },
      row: { ...next, uncertainty: formatLength(mm, style) },
    };
  }
  return null;
}
