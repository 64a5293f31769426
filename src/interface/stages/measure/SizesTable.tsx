'use client';
import { useMemo, useState } from 'react';
import Box from '@mui/material/Box';
import { DataGrid } from '@mui/x-data-grid';
import { FIGURE_FACE, useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import { SearchField } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import { columnsOf, editOf, rowsOf, type SizeRow } from './size-rows';

interface SizesTableProps {
  readonly close: () => void;
  readonly choose: (ownerId: string) => void;
}

/** Every size of the record with where it comes from: sorted, filtered and edited in place. */
export function SizesTable({ close, choose }: SizesTableProps) {
  const { project, style, commands, readOnly } = useSession();
  const { look } = useLook();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [wanted, setWanted] = useState('');
  const [newClaim, setNewClaim] = useState(false);
  const all = useMemo(() => rowsOf(project, style), [project, style]);
  const words = wanted.trim().toLowerCase().split(/\s+/);
  const rows = all.filter((row) =>
    words.every((word) => `${row.owner} ${row.what} ${row.source} ${row.figure}`.toLowerCase().includes(word)),
  );
  const columns = columnsOf(all, readOnly);
  const update = (next: SizeRow, before: SizeRow): SizeRow => {
    setRefusal(null);
    const edit = editOf(next, before, newClaim, style);
    if (!edit) return before;
    commands.change(edit.label, edit.change);
    return edit.row;
  };
  return (
    <PaperSheet label="Sizes" title={`Sizes of ${project.name}: ${all.length}`} close={close} high="62%">
      <Box sx={{ display: 'flex', gap: 3, alignItems: 'baseline', fontSize: 14.5, mb: 0.5 }}>
        <SearchField label="Look for a size" wanted={wanted} onChange={setWanted} />
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
