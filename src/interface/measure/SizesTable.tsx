'use client';
import { useMemo, useState } from 'react';
import Box from '@mui/material/Box';
import { DataGrid, type GridColDef, type GridRowModel } from '@mui/x-data-grid';
import { allSizes, claimOf, SOURCE_WORDS, SOURCES, type Project, type Source } from '@/core/record';
import { formatLength, parseLength, type LengthStyle } from '@/core/units';
import { FIGURE_FACE, useLook } from '@/interface/theme';
import type { Commands } from '@/state';
import { PaperSheet } from '@/interface/paper';

interface SizesTableProps {
  readonly project: Project;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly readOnly: boolean;
  readonly close: () => void;
  readonly choose: (ownerId: string) => void;
}

interface SizeRow {
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

/** Every size of the record with where it comes from: sorted, filtered and edited in place. */
export function SizesTable({ project, style, commands, readOnly, close, choose }: SizesTableProps) {
  const { look } = useLook();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [wanted, setWanted] = useState('');
  const [newClaim, setNewClaim] = useState(false);
  const all = useMemo(
    () =>
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
      }),
    [project, style],
  );
  const words = wanted.trim().toLowerCase().split(/\s+/);
  const rows = all.filter((row) =>
    words.every((word) => `${row.owner} ${row.what} ${row.source} ${row.figure}`.toLowerCase().includes(word)),
  );
  const columns: GridColDef<SizeRow>[] = [
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
  const update = (next: GridRowModel<SizeRow>, before: GridRowModel<SizeRow>): SizeRow => {
    setRefusal(null);
    if (next.figure !== before.figure) {
      const read = parseLength(next.figure, { units: style.units, zero: 'allowed', negative: 'allowed' });
      if (!read.ok) throw new Error(`${before.what} of ${before.owner}: ${read.error.message}`);
      const { mm, asTyped } = read.value;
      commands.change(
        `Change the ${before.what} of ${before.owner}`,
        newClaim
          ? { kind: 'claim-size', sizeId: before.id, claim: { mm, asTyped, source: 'measured', uncertaintyMm: 3 } }
          : { kind: 'correct-size', sizeId: before.id, mm, asTyped },
      );
      return { ...next, mm, figure: formatLength(mm, style) };
    }
    if (next.source !== before.source) {
      commands.change(`Source of the ${before.what} of ${before.owner}`, {
        kind: 'source-size',
        sizeId: before.id,
        source: sourceOf(next.source),
      });
      return next;
    }
    if (next.uncertainty !== before.uncertainty) {
      const read = parseLength(next.uncertainty, { units: style.units, zero: 'allowed' });
      if (!read.ok) throw new Error(`Give or take of the ${before.what} of ${before.owner}: ${read.error.message}`);
      const { mm } = read.value;
      commands.change(`Uncertainty of the ${before.what} of ${before.owner}`, {
        kind: 'source-size',
        sizeId: before.id,
        source: sourceOf(before.source),
        uncertaintyMm: mm,
      });
      return { ...next, uncertainty: formatLength(mm, style) };
    }
    return before;
  };
  return (
    <PaperSheet label="Sizes" title={`Sizes of ${project.name}: ${all.length}`} close={close} high="62%">
      <Box sx={{ display: 'flex', gap: 3, alignItems: 'baseline', fontSize: 14.5, mb: 0.5 }}>
        <Box
          component="input"
          aria-label="Look for a size"
          placeholder="look for …"
          value={wanted}
          onChange={(event) => setWanted((event.target as HTMLInputElement).value)}
          sx={{
            font: 'inherit',
            border: 0,
            borderBottom: `1.5px dotted ${look.ink}`,
            background: 'transparent',
            color: look.ink,
            width: 220,
          }}
        />
        <label>
          <input type="checkbox" checked={newClaim} onChange={(event) => setNewClaim(event.target.checked)} /> what I
          type was measured again: keep what was said before beside it
        </label>
        {refusal ? (
          <Box role="alert" sx={{ color: look.warning }}>
            {refusal}
          </Box>
        ) : null}
      </Box>
      <Box sx={{ height: 300 }}>
        <DataGrid
          rows={rows}
          columns={columns}
          density="compact"
          disableColumnMenu
          disableRowSelectionOnClick
          hideFooter
          processRowUpdate={update}
          onProcessRowUpdateError={(error: Error) => setRefusal(error.message)}
          onRowClick={({ row }) => choose(row.ownerId)}
          aria-label="Sizes"
          sx={{
            border: 0,
            fontFamily: 'inherit',
            fontSize: 14.5,
            color: look.text,
            backgroundColor: 'transparent',
            '--DataGrid-t-color-background-base': look.sheet,
            '--DataGrid-containerBackground': look.sheet,
            '--DataGrid-rowBorderColor': look.rule,
            '& .MuiDataGrid-columnHeader': { backgroundColor: look.sheet, color: look.faint },
            '& .MuiDataGrid-columnHeaders': { borderBottom: `1px solid ${look.graphite}` },
            '& .MuiDataGrid-columnSeparator': { display: 'none' },
            '& .MuiDataGrid-cell.figure': { fontFamily: FIGURE_FACE },
            '& .MuiDataGrid-row:hover': { backgroundColor: look.strip },
            '& .MuiDataGrid-cell--editing': { boxShadow: `inset 0 -2px 0 ${look.ink}` },
          }}
        />
      </Box>
    </PaperSheet>
  );
}
